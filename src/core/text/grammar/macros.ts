import { factList, message, type MessageFact } from '../../message/message'
import { itemAt, valueOf } from '../../base/items'
import { macroNameSchema, type Macro, type MacroShelf } from '../../document/macro'
import { memoizeByObject } from '../../base/memoize'
import { ACTIONS } from '../../actions/registry'
import { PLAY_ONCE, type MacroAction, type MacroPartsAction } from '../../document/action-schema'
import type { ActionContext } from '../context'
import { escapeText } from '../quoting'
import { defineGrammar, type Parsed, type Phrase } from './grammar'

const { max: MAX_TIMES } = ACTIONS.macro.parameters.times
const { max: MAX_GAP_MS } = ACTIONS.macro.parameters.gapMs

export const macro = defineGrammar<'macro'>({
  family: 'macro',
  group: 'macro',
  write({ macro: id, play, times, gapMs, again, others }, context) {
    const same = again === 'restart' ? 'restart' : again === 'stop' && play !== 'toggle' ? 'stop' : undefined
    return factList(
      [
        message('actions.macro', { macro: macroName(id, context) }),
        ...(play === 'times'
          ? [message('actions.macroTimes', { times: String(times) })]
          : PLAY_MESSAGES[play]),
        ...(gapMs > 0 ? [message('actions.macroGap', { gap: String(gapMs) })] : []),
        ...(same ? [AGAIN_MESSAGES[same]] : []),
        ...(others === 'stop' ? [message('actions.macroOthers')] : []),
      ],
      'comma',
    )
  },
  phrasesIn: ({ macros }) => phrasesOfMacros(macros),
  readsFirst: true,
  // `macro Sonar sweep, while held, 50 ms apart`
  read({ raw }, context) {
    const named = /^macro:? (.+)$/is.exec(raw)
    if (!named) return undefined
    const name = itemAt(named, 1).replace(/,.*/s, '').trim()
    return (
      readMacro(itemAt(named, 1), context) ?? {
        problem: noMacro(name, context),
        ...(macroNameSchema.isValidSync(name) && { macro: name }),
      }
    )
  },
})

const PLAY_MESSAGES = {
  once: [],
  held: [message('actions.whileHeld')],
  toggle: [message('actions.macroToggle')],
} as const
const AGAIN_MESSAGES = {
  restart: message('actions.macroRestart'),
  stop: message('actions.macroStop'),
} as const

/**
 * Each macro of the library, played once. Computed once per state of the library, because typing needs them at every
 * key.
 */
const phrasesOfMacros = memoizeByObject((macros: MacroShelf): readonly Phrase[] =>
  [...macros.values()].map(({ id, name }): Phrase => ({
    words: [`macro ${name}`.toLowerCase()],
    action: PLAY_ONCE(id),
    note: message('actions.macroNote'),
  })),
)

export const macroParts = defineGrammar<'macro-parts'>({
  family: 'macro',
  group: 'macro',
  write({ press, held, release }, context) {
    const name = (id: string) => macroName(id, context)
    const parts = [
      ...(press === undefined ? [] : [message('actions.onPress', { macro: name(press) })]),
      ...(held === undefined ? [] : [message('actions.held', { macro: name(held) })]),
      ...(release === undefined ? [] : [message('actions.onRelease', { macro: name(release) })]),
    ]
    return message('actions.macros', { parts: factList(parts, 'comma') })
  },
  readsFirst: true,
  // `macros on press A, held B, on release C`
  read({ raw }, context) {
    const parts = /^macros (.+)$/is.exec(raw)
    return parts ? readParts(itemAt(parts, 1), context) : undefined
  },
})

export const stopMacros = defineGrammar<'stop-macros'>({
  family: 'macro',
  group: 'macro',
  write: () => message('actions.stopMacros'),
  phrases: [
    {
      words: ['stop macros', 'stop macro', 'stop all macros', 'stop all macro'],
      action: { kind: 'stop-macros' },
      note: message('actions.stopMacrosNote'),
    },
  ],
})

/** The name of a macro in an action, quoted if it could be mistaken for something else. */
export function macroName(id: string, { macros }: Pick<ActionContext, 'macros'>): string {
  const name = macros.get(id)?.name ?? id
  return /^[\p{L}\p{N}][\p{L}\p{N} '-]*$/u.test(name) && !/ (held|on press|on release)\b/i.test(` ${name}`)
    ? name
    : `“${escapeText(name)}”`
}

/** The same with only the name of the macro, if it is unambiguous. */
export const readMacroByName = (raw: string, context: ActionContext): Parsed | undefined =>
  readMacro(raw, context)

const noMacro = (name: string, { macros }: ActionContext): MessageFact =>
  message(macros.size === 0 ? 'parse.noMacrosYet' : 'parse.noMacro', { name })

const longestFirst = memoizeByObject((macros: MacroShelf): readonly Macro[] =>
  [...macros.values()].sort((a, b) => b.name.length - a.name.length),
)

/** The macro whose name a text starts with, the longest first, and the text after the name. */
function macroAt(text: string, { macros }: ActionContext): { id: string; rest: string } | undefined {
  const quoted = /^[“"]((?:\\.|[^\\”"])*)[”"](.*)$/s.exec(text)
  const wanted = (quoted ? itemAt(quoted, 1).replaceAll(/\\(.)/g, '$1') : text).toLowerCase()
  return longestFirst(macros)
    .flatMap(({ id, name }) => {
      const begins = quoted ? wanted === name.toLowerCase() : wanted.startsWith(name.toLowerCase())
      const rest = quoted ? itemAt(quoted, 2) : text.slice(name.length)
      // The comma is optional if a playback option follows.
      const played = /^\s+(.+)$/s.exec(rest)?.[1]?.split(',')[0]?.trim().toLowerCase()
      if (begins && played !== undefined && clauseOf(played)) return [{ id, rest: `,${rest}` }]
      return begins && (rest === '' || rest.startsWith(',')) ? [{ id, rest }] : []
    })
    .at(0)
}

function readMacro(text: string, context: ActionContext): Parsed | undefined {
  const found = macroAt(text.trim(), context)
  if (!found) return undefined
  const action = PLAY_ONCE(found.id)
  for (const clause of found.rest
    .split(',')
    .map((each) => each.trim().toLowerCase())
    .filter(Boolean)) {
    const change = clauseOf(clause)
    if (!change) return { problem: message('parse.playback', { text: clause }) }
    if ('problem' in change) return change
    Object.assign(action, change)
  }
  return { action }
}

const number = (text: string | undefined): number => Number(text?.replace(/\s/g, ''))

/** The effect of one clause after the name of a macro. */
function clauseOf(clause: string): Partial<MacroAction> | { problem: MessageFact } | undefined {
  const times = /^(\d+) ?(?:times|×|x)$/.exec(clause) ?? /^[x×] ?(\d+)$/.exec(clause)
  if (times) {
    const count = number(times[1])
    if (count === 1) return { play: 'once' }
    return count >= 2 && count <= MAX_TIMES
      ? { play: 'times', times: count }
      : { problem: message('parse.times', { max: MAX_TIMES }) }
  }
  const gap = /^(\d+) ?ms (?:apart|gap)$/.exec(clause) ?? /^every (\d+) ?ms$/.exec(clause)
  if (gap) {
    const gapMs = number(gap[1])
    return gapMs <= MAX_GAP_MS ? { gapMs } : { problem: message('parse.gap', { max: MAX_GAP_MS }) }
  }
  return FIXED[clause]
}

const FIXED: Record<string, Partial<MacroAction> | undefined> = {
  once: { play: 'once' },
  'while held': { play: 'held' },
  held: { play: 'held' },
  'until pressed again': { play: 'toggle', again: 'stop' },
  toggle: { play: 'toggle', again: 'stop' },
  'again starts over': { again: 'restart' },
  'again stops': { again: 'stop' },
  'others stop it': { others: 'stop' },
}

function readParts(text: string, context: ActionContext): Parsed {
  const action: MacroPartsAction = { kind: 'macro-parts' }
  for (const clause of text.split(/,\s*(?=(?:on press|held|on release) )/i)) {
    const match = /^(on press|held|on release) (.+)$/is.exec(clause.trim())
    const found = match && macroAt(itemAt(match, 2).trim(), context)
    if (!match) return { problem: message('parse.macroParts') }
    if (!found || found.rest !== '') return { problem: noMacro(itemAt(match, 2), context) }
    action[valueOf(PART, itemAt(match, 1).toLowerCase())] = found.id
  }
  return { action }
}

const PART: Record<string, 'press' | 'held' | 'release'> = {
  'on press': 'press',
  held: 'held',
  'on release': 'release',
}
