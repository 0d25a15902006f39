import { printParseErrorCode, visit } from 'jsonc-parser'
import { MAX_PROBLEMS, ProfileError } from '../base/errors'

/** Maximum nesting of objects and lists; no document here reaches ten. */
const MAX_DEPTH = 60

/**
 * Parses a JSON text (RFC 8259).
 *
 * @throws ProfileError with the line and column of the problem: invalid JSON, a repeated member, or too deep nesting
 */
export function readJson(text: string): unknown {
  const problems: string[] = []
  const seen: Set<string>[] = []
  let broken: string | undefined
  const say = (line: number, column: number, what: string) => {
    if (problems.length < MAX_PROBLEMS) problems.push(`line ${line + 1}, column ${column + 1}: ${what}`)
  }
  const enter = (_offset: number, _length: number, line: number, column: number) => {
    if (seen.length >= MAX_DEPTH)
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
      if (members?.has(name)) say(line, column, `“${name}” appears twice`)
      members?.add(name)
    },
    // Errors after the first are only its consequences.
    onError: (error, _offset, _length, line, column) => {
      broken ??= `not valid JSON: line ${line + 1}, column ${column + 1}: ${WORDS[printParseErrorCode(error)] ?? 'unexpected text'}`
    },
  })
  if (broken !== undefined) throw new ProfileError([broken])
  if (problems.length > 0) throw new ProfileError(problems)
  const value: unknown = JSON.parse(text.replace(/^\ufeff/, ''))
  return value
}

const TOO_DEEP = `more than ${MAX_DEPTH} nested objects and lists`

const WORDS: Record<string, string | undefined> = {
  InvalidSymbol: 'invalid value',
  InvalidNumberFormat: 'invalid number',
  PropertyNameExpected: 'expected a name in double quotes',
  ValueExpected: 'expected a value',
  ColonExpected: 'expected a colon',
  CommaExpected: 'expected a comma',
  CloseBraceExpected: 'expected a }',
  CloseBracketExpected: 'expected a ]',
  EndOfFileExpected: 'expected the end of the file',
  InvalidCommentToken: 'JSON has no comments',
  UnexpectedEndOfComment: 'JSON has no comments',
  UnexpectedEndOfString: 'a string has no end',
  UnexpectedEndOfNumber: 'a number has no end',
  InvalidUnicode: 'invalid character',
  InvalidEscapeCharacter: 'invalid character after a backslash',
  InvalidCharacter: 'unexpected character',
}
