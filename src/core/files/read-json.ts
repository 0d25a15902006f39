import { printParseErrorCode, visit } from 'jsonc-parser'
import { MOST_PROBLEMS, ProfileError } from '../base/refusal'

/** Objects and lists in each other, at most: no document here has ten. */
const MOST_DEPTH = 60

/**
 * What a JSON text holds (RFC 8259).
 *
 * @throws ProfileError that says in which line and column what is wrong: it is no JSON, has a member twice, or goes too deep
 */
export function readJson(text: string): unknown {
  const problems: string[] = []
  const seen: Set<string>[] = []
  let broken: string | undefined
  const say = (line: number, column: number, what: string) => {
    if (problems.length < MOST_PROBLEMS) problems.push(`line ${line + 1}, column ${column + 1}: ${what}`)
  }
  const enter = (_offset: number, _length: number, line: number, column: number) => {
    if (seen.length >= MOST_DEPTH)
      throw new ProfileError([`line ${line + 1}, column ${column + 1}: ${TOO_DEEP}`])
    seen.push(new Set())
  }
  const leave = () => void seen.pop()
  visit(text.replace(/^\ufeff/, ''), {
    onObjectBegin: enter,
    onObjectEnd: leave,
    onArrayBegin: enter,
    onArrayEnd: leave,
    onObjectProperty: (name, _offset, _length, line, column) => {
      const members = seen.at(-1)
      if (members?.has(name)) say(line, column, `“${name}” is there twice`)
      members?.add(name)
    },
    // What follows the first is only its echo.
    onError: (error, _offset, _length, line, column) => {
      broken ??= `this is no JSON: line ${line + 1}, column ${column + 1}: ${WORDS[printParseErrorCode(error)] ?? 'this cannot stand there'}`
    },
  })
  if (broken !== undefined) throw new ProfileError([broken])
  if (problems.length > 0) throw new ProfileError(problems)
  const value: unknown = JSON.parse(text.replace(/^\ufeff/, ''))
  return value
}

const TOO_DEEP = `more than ${MOST_DEPTH} objects and lists lie in each other`

const WORDS: Record<string, string | undefined> = {
  InvalidSymbol: 'this is no value',
  InvalidNumberFormat: 'this is no number',
  PropertyNameExpected: 'a name in double quotes is due',
  ValueExpected: 'a value is due',
  ColonExpected: 'a colon is due',
  CommaExpected: 'a comma is due',
  CloseBraceExpected: 'a } is due',
  CloseBracketExpected: 'a ] is due',
  EndOfFileExpected: 'the file should end here',
  InvalidCommentToken: 'JSON has no comments',
  UnexpectedEndOfComment: 'JSON has no comments',
  UnexpectedEndOfString: 'a text does not end',
  UnexpectedEndOfNumber: 'a number does not end',
  InvalidUnicode: 'this is no character',
  InvalidEscapeCharacter: 'this is no character after a backslash',
  InvalidCharacter: 'a character that cannot stand there',
}
