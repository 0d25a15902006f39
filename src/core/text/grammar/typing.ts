import { message, type Message } from '../../message/message'
import { itemAt } from '../../base/items'
import type { LaunchKind } from '../../computer/launches'
import { computersFor, typingProblem } from '../../computer/typing'
import type { TargetComputer } from '../../computer/shortcuts'
import { MAX_TEXT_CHARACTERS } from '../../document/document-actions'
import { escapeText, unescapeText } from '../quoting'
import type { ActionContext } from '../context'
import { defineGrammar, type Parsed, type TypedText } from './grammar'
import { textAndKeyMacro } from './created-macro'

/** Actions that type: texts, and openings. */

export const text = defineGrammar<'text'>({
  family: 'binding',
  group: 'text',
  write: ({ text: typed }) => message('actions.typeText', { text: escapeText(typed) }),
  readsFirst: true,
  read: readText,
  examples: [{ action: { kind: 'text', text: 'Hello' }, note: message('actions.typeTextNote') }],
})

/** Keys that are also characters of a text. */
const KEYS_OF_TEXT: Record<string, string | undefined> = {
  enter: '\\n',
  return: '\\n',
  tab: '\\t',
  space: ' ',
}

function readText(
  { raw, single }: Pick<TypedText, 'raw' | 'single'>,
  context: ActionContext,
): Parsed | undefined {
  const match = /^(?:type|text)(?:\s*:\s*|\s+)(.+)$/is.exec(raw) ?? /^([“"].*[”"])$/s.exec(raw)
  if (!match) return undefined
  const inner = /^“(.*)”$/s.exec(itemAt(match, 1)) ?? /^"(.*)"$/s.exec(itemAt(match, 1))
  const behind = inner
    ? undefined
    : /^(?:“([^”]*)”|"((?:\\.|[^"\\])*)")[ ,]*(?:then|and)?[ ,]*(.+)$/is.exec(itemAt(match, 1))
  if (behind) {
    const key = KEYS_OF_TEXT[itemAt(behind, 3).trim().toLowerCase()]
    if (key === undefined)
      return textThen(unescapeText(behind[1] ?? itemAt(behind, 2)), itemAt(behind, 3).trim(), single, context)
    return readText({ raw: `type "${behind[1] ?? behind[2]}${key}"`, single }, context)
  }
  const typed = unescapeText(inner ? itemAt(inner, 1) : itemAt(match, 1)).normalize('NFC')
  if (typed === '') return { problem: message('parse.emptyText') }
  return tooLong(typed) ?? cannotType(typed, context.computer) ?? { action: { kind: 'text', text: typed } }
}

/** A text followed by a key becomes a macro, which is created at once. */
function textThen(
  typed: string,
  behind: string,
  single: TypedText['single'],
  context: ActionContext,
): Parsed {
  const then = single(behind)
  const made = 'action' in then ? textAndKeyMacro(typed, then.action, context) : undefined
  if (!made)
    return {
      problem: message('parse.notAKeyAfterText', { key: behind }),
    }
  return tooLong(typed) ?? cannotType(typed, context.computer) ?? made
}

const tooLong = (typed: string): Parsed | undefined =>
  typed.length > MAX_TEXT_CHARACTERS
    ? { problem: message('parse.textTooLong', { max: MAX_TEXT_CHARACTERS, length: typed.length }) }
    : undefined

function cannotType(typed: string, computer: TargetComputer): Parsed | undefined {
  const problem = typingProblem(typed, computer)
  return problem === undefined ? undefined : { problem, computers: computersFor(typed, computer) }
}

const OPENINGS: Record<LaunchKind, (target: string) => Message> = {
  program: (target) => message('actions.openProgram', { target }),
  file: (target) => message('actions.openFile', { target }),
  folder: (target) => message('actions.openFolder', { target }),
  address: (target) => message('actions.openAddress', { target }),
}

export const open = defineGrammar<'open'>({
  family: 'binding',
  group: 'open',
  write: ({ what, target }) => OPENINGS[what](target),
  read({ raw }, { computer }) {
    const match =
      /^open\s+(?:(program|app|file|folder|directory|web|address|url|site)(?:\s+|:\s*))?(\S.*)$/is.exec(raw)
    if (!match) return undefined
    const target = itemAt(match, 2).trim().normalize('NFC')
    if (/[\n\r\t]/.test(target)) return { problem: message('parse.singleLine') }
    const what = OPENING_KINDS[match[1]?.toLowerCase() ?? ''] ?? guessKind(target)
    return tooLong(target) ?? cannotType(target, computer) ?? { action: { kind: 'open', what, target } }
  },
  examples: [
    { action: { kind: 'open', what: 'program', target: 'divelog' }, note: message('actions.openNote') },
  ],
})

const OPENING_KINDS: Record<string, LaunchKind | undefined> = {
  program: 'program',
  app: 'program',
  file: 'file',
  folder: 'folder',
  directory: 'folder',
  web: 'address',
  address: 'address',
  url: 'address',
  site: 'address',
}

/** An address has a scheme, `www.` or a domain before its path; a folder ends with a slash. */
function guessKind(target: string): LaunchKind {
  if (/^[a-z][a-z+.-]*:\/\/|^www\./i.test(target)) return 'address'
  if (/[\\/]$/.test(target)) return 'folder'
  if (/^(?:[a-z]:)?[\\/~]/i.test(target)) return /\.\w{1,5}$/.test(target) ? 'file' : 'folder'
  return /^[\w-]+(\.[\w-]+)*\.(com|org|net|example)(\/|$)/i.test(target) ? 'address' : 'program'
}
