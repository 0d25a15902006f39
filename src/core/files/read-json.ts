import { printParseErrorCode, visit } from 'jsonc-parser'
import { MAX_PROBLEMS, ProfileError } from '../base/errors'
import { message, type CoreMessageKey, type Message } from '../message/message'

/** Maximum nesting of objects and lists; no document here reaches ten. */
const MAX_DEPTH = 60

/**
 * Parses a JSON text (RFC 8259).
 *
 * @throws ProfileError with the line and column of the problem: invalid JSON, a repeated member, or too deep nesting
 */
export function readJson(text: string): unknown {
  const problems: Message[] = []
  const seen: Set<string>[] = []
  let broken: Message | undefined
  const report = (line: number, column: number, problem: Message) => {
    if (problems.length < MAX_PROBLEMS) problems.push(placed(line, column, problem))
  }
  const enter = (_offset: number, _length: number, line: number, column: number) => {
    if (seen.length >= MAX_DEPTH)
      throw new ProfileError([placed(line, column, message('problems.tooDeep', { max: MAX_DEPTH }))])
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
      if (members?.has(name)) report(line, column, message('problems.repeatedMember', { name }))
      members?.add(name)
    },
    // Errors after the first are only its consequences.
    onError: (error, _offset, _length, line, column) => {
      const problem = message(SYNTAX_PROBLEMS[printParseErrorCode(error)] ?? 'problems.jsonText')
      broken ??= message('problems.notJson', { line: line + 1, column: column + 1, problem })
    },
  })
  if (broken !== undefined) throw new ProfileError([broken])
  if (problems.length > 0) throw new ProfileError(problems)
  const value: unknown = JSON.parse(text.replace(/^\ufeff/, ''))
  return value
}

/** The parser counts lines and columns from 0, people from 1. */
const placed = (line: number, column: number, problem: Message): Message =>
  message('problems.jsonAt', { line: line + 1, column: column + 1, problem })

type SyntaxKey = Extract<CoreMessageKey, `problems.json${string}`>
const SYNTAX_PROBLEMS: Record<string, Exclude<SyntaxKey, 'problems.jsonAt'> | undefined> = {
  InvalidSymbol: 'problems.jsonSymbol',
  InvalidNumberFormat: 'problems.jsonNumber',
  PropertyNameExpected: 'problems.jsonName',
  ValueExpected: 'problems.jsonValue',
  ColonExpected: 'problems.jsonColon',
  CommaExpected: 'problems.jsonComma',
  CloseBraceExpected: 'problems.jsonBrace',
  CloseBracketExpected: 'problems.jsonBracket',
  EndOfFileExpected: 'problems.jsonEnd',
  InvalidCommentToken: 'problems.jsonComment',
  UnexpectedEndOfComment: 'problems.jsonComment',
  UnexpectedEndOfString: 'problems.jsonStringEnd',
  UnexpectedEndOfNumber: 'problems.jsonNumberEnd',
  InvalidUnicode: 'problems.jsonUnicode',
  InvalidEscapeCharacter: 'problems.jsonEscape',
  InvalidCharacter: 'problems.jsonCharacter',
}
