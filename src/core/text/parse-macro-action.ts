import { macroNameSchema, type Macro, type MacroShelf } from '../document/macro'
import { rememberedFor } from '../base/remembered'
import { ACTIONS } from '../actions/registry'
import { playedOnce, type MacroAction, type MacroPartsAction } from '../document/action-schema'
import type { ActionContext } from './action-text'
import type { SingleAction } from '../document/schema'

const { most: MOST_TIMES } = ACTIONS.macro.parameters.times
const { most: MOST_GAP_MS } = ACTIONS.macro.parameters.gapMs

type Parsed = { action: SingleAction } | { problem: string; macro?: string }

/**
 * Reads `macro NAME` and how it is played behind it, or a macro's name alone: `macro Sonar sweep, while held, 50 ms
 * apart`, `macros on press A, held B, on release C`, `stop macros`.
 *
 * @returns undefined for what is about no macro
 */
export function parseMacroAction(raw: string, context: ActionContext): Parsed | undefined {
  if (/^stop (?:all )?macros?$/i.test(raw)) return { action: { kind: 'stop-macros' } }
  const parts = /^macros (.+)$/is.exec(raw)
  if (parts) return parseParts(parts[1], context)
  const named = /^macro:? (.+)$/is.exec(raw)
  if (!named) return undefined
  const name = named[1].replace(/,.*/s, '').trim()
  return (
    readMacro(named[1], context) ?? {
      problem: noMacro(name, context),
      ...(macroNameSchema.isValidSync(name) && { macro: name }),
    }
  )
}

/** The same by the macro's name alone, for what is nothing else. */
export const parseMacroByName = (raw: string, context: ActionContext): Parsed | undefined =>
  readMacro(raw, context)

const noMacro = (name: string, { macros }: ActionContext): string =>
  macros.size === 0
    ? `The library has no macros yet, so there is no “${name}”`
    : `There is no macro “${name}” in the library`

const longestFirst = rememberedFor((macros: MacroShelf): readonly Macro[] =>
  [...macros.values()].sort((a, b) => b.name.length - a.name.length),
)

/** The macro whose name a text begins with, the longest first, and what stands behind the name. */
function macroAt(text: string, { macros }: ActionContext): { id: string; rest: string } | undefined {
  const quoted = /^[“"]((?:\\.|[^\\”"])*)[”"](.*)$/s.exec(text)
  const wanted = (quoted ? quoted[1].replaceAll(/\\(.)/g, '$1') : text).toLowerCase()
  return longestFirst(macros)
    .flatMap(({ id, name }) => {
      const begins = quoted ? wanted === name.toLowerCase() : wanted.startsWith(name.toLowerCase())
      const rest = quoted ? quoted[2] : text.slice(name.length)
      // The comma may be left out where what follows says how it is played.
      const played = /^\s+(.+)$/s.exec(rest)?.[1].split(',')[0].trim().toLowerCase()
      if (begins && played !== undefined && clauseOf(played)) return [{ id, rest: `,${rest}` }]
      return begins && (rest === '' || rest.startsWith(',')) ? [{ id, rest }] : []
    })
    .at(0)
}

function readMacro(text: string, context: ActionContext): Parsed | undefined {
  const found = macroAt(text.trim(), context)
  if (!found) return undefined
  const action = playedOnce(found.id)
  for (const clause of found.rest
    .split(',')
    .map((each) => each.trim().toLowerCase())
    .filter(Boolean)) {
    const change = clauseOf(clause)
    if (!change) return { problem: `“${clause}” does not say how a macro is played` }
    if ('problem' in change) return change
    Object.assign(action, change)
  }
  return { action }
}

const number = (text: string | undefined): number => Number(text?.replace(/\s/g, ''))

/** What one clause behind a macro's name changes. */
function clauseOf(clause: string): Partial<MacroAction> | { problem: string } | undefined {
  const times = /^(\d+) ?(?:times|×|x)$/.exec(clause) ?? /^[x×] ?(\d+)$/.exec(clause)
  if (times) {
    const count = number(times[1])
    if (count === 1) return { play: 'once' }
    return count >= 2 && count <= MOST_TIMES
      ? { play: 'times', times: count }
      : { problem: `A macro is played 1 to ${MOST_TIMES} times` }
  }
  const gap = /^(\d+) ?ms (?:apart|gap)$/.exec(clause) ?? /^every (\d+) ?ms$/.exec(clause)
  if (gap) {
    const gapMs = number(gap[1])
    return gapMs <= MOST_GAP_MS ? { gapMs } : { problem: `Passes are ${MOST_GAP_MS} ms apart at most` }
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

function parseParts(text: string, context: ActionContext): Parsed {
  const action: MacroPartsAction = { kind: 'macro-parts' }
  for (const clause of text.split(/,\s*(?=(?:on press|held|on release) )/i)) {
    const match = /^(on press|held|on release) (.+)$/is.exec(clause.trim())
    const found = match && macroAt(match[2].trim(), context)
    if (!match) return { problem: 'Say which macro when: macros on press A, held B, on release C' }
    if (!found || found.rest !== '') return { problem: noMacro(match[2], context) }
    action[PART[match[1].toLowerCase()]] = found.id
  }
  return { action }
}

const PART: Record<string, 'press' | 'held' | 'release'> = {
  'on press': 'press',
  held: 'held',
  'on release': 'release',
}
