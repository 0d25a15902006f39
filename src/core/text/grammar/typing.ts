import { itemAt } from '../../base/items'
import type { OpeningKind } from '../../computer/openings'
import { computersFor, typingProblem } from '../../computer/typing'
import type { ComputerSetUp } from '../../computer/shortcuts'
import { MOST_TEXT } from '../../document/worded-actions'
import { escaped, unescaped } from '../quoting'
import type { ActionContext } from '../context'
import { grammar, type Parsed, type Typed } from './grammar'
import { textAndThen } from './made-macro'

/** What the device types: texts, and what opens something. */

export const text = grammar<'text'>({
  family: 'binding',
  group: 'text',
  write: ({ text: typed }) => `Type “${escaped(typed)}”`,
  readsFirst: true,
  read: readText,
  examples: [{ text: 'type “Hello”', note: 'a text' }],
})

/** Keys that are characters of a text as well. */
const KEYS_OF_TEXT: Record<string, string | undefined> = {
  enter: '\\n',
  return: '\\n',
  tab: '\\t',
  space: ' ',
}

function readText(
  { raw, single }: Pick<Typed, 'raw' | 'single'>,
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
      return textThen(unescaped(behind[1] ?? itemAt(behind, 2)), itemAt(behind, 3).trim(), single, context)
    return readText({ raw: `type "${behind[1] ?? behind[2]}${key}"`, single }, context)
  }
  const typed = unescaped(inner ? itemAt(inner, 1) : itemAt(match, 1)).normalize('NFC')
  if (typed === '') return { problem: 'There is no text between the quotes' }
  return tooLong(typed) ?? cannotType(typed, context.computer) ?? { action: { kind: 'text', text: typed } }
}

/** A text and then a key are a macro, which is made on the spot. */
function textThen(typed: string, behind: string, single: Typed['single'], context: ActionContext): Parsed {
  const then = single(behind)
  const made = 'action' in then ? textAndThen(typed, then.action, context.macros) : undefined
  if (!made)
    return {
      problem: `Behind the text stands “${behind}”, which is no key; with more than that, make a macro`,
    }
  return tooLong(typed) ?? cannotType(typed, context.computer) ?? made
}

const tooLong = (typed: string): Parsed | undefined =>
  typed.length > MOST_TEXT
    ? { problem: `A text has ${MOST_TEXT} characters at most; this one has ${typed.length}` }
    : undefined

function cannotType(typed: string, computer: ComputerSetUp): Parsed | undefined {
  const problem = typingProblem(typed, computer)
  return problem === undefined ? undefined : { problem, computers: computersFor(typed, computer) }
}

const OPENING_WORDS = { program: 'program', file: 'file', folder: 'folder', address: 'web' } as const

export const open = grammar<'open'>({
  family: 'binding',
  group: 'open',
  write: ({ what, target }) => `Open ${OPENING_WORDS[what]} ${target}`,
  read({ raw }, { computer }) {
    const match =
      /^open\s+(?:(program|app|file|folder|directory|web|address|url|site)(?:\s+|:\s*))?(\S.*)$/is.exec(raw)
    if (!match) return undefined
    const target = itemAt(match, 2).trim().normalize('NFC')
    if (/[\n\r\t]/.test(target)) return { problem: 'What is opened is one line' }
    const what = OPENING_KINDS[match[1]?.toLowerCase() ?? ''] ?? guessKind(target)
    return tooLong(target) ?? cannotType(target, computer) ?? { action: { kind: 'open', what, target } }
  },
  examples: [{ text: 'open program divelog', note: 'or file, folder, web' }],
})

const OPENING_KINDS: Record<string, OpeningKind | undefined> = {
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

/** An address has a scheme, `www.` or a domain's ending before its path; a folder ends in a slash. */
function guessKind(target: string): OpeningKind {
  if (/^[a-z][a-z+.-]*:\/\/|^www\./i.test(target)) return 'address'
  if (/[\\/]$/.test(target)) return 'folder'
  if (/^(?:[a-z]:)?[\\/~]/i.test(target)) return /\.\w{1,5}$/.test(target) ? 'file' : 'folder'
  return /^[\w-]+(\.[\w-]+)*\.(com|org|net|example)(\/|$)/i.test(target) ? 'address' : 'program'
}
