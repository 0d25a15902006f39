import type { TargetComputer } from '../computer/shortcuts'
import type { MacroOp } from '../onboard/macro-ops'
import { compileMacro } from './macro-code-cache'
import { typingMs } from './event-durations'
import { lowerUnfolded } from '../terms/lower-macro'
import type { Macro, MacroShelf } from '../document/macro'

/** Figures of a macro, including the macros it plays. */
export interface MacroFigures {
  /** Text is counted at one report per ms. */
  durationMs: number
  /** Whether it types text. */
  types: boolean
  /** Size of its byte code, with folded repeats. */
  bytes: number
  /** Maximum number of keys and buttons held at once. */
  maxDown: number
  /** Keys and buttons still held when it ends. */
  leftDown: number
  /** Shortest time between two events that each need a report, at minimum delays, in ms. */
  gapsMs: number[]
}

/** @throws LoweringError for a text the layout cannot type, or a circle of macros */
export function macroFigures(macro: Macro, shelf: MacroShelf, on: TargetComputer): MacroFigures {
  const ops = lowerUnfolded(macro, shelf, on)
  return {
    durationMs: waitsOf(ops),
    types: ops.some(({ kind }) => kind === 'strokes'),
    bytes: compileMacro(macro, shelf, on).length,
    ...heldOf(ops),
    gapsMs: reportGaps(ops),
  }
}

/** Number of events that must wait for a later report at a polling rate. */
export const delayedEventsAt = (gapsMs: readonly number[], rateHz: number): number =>
  gapsMs.filter((gap) => gap < 1000 / rateHz).length

/** All delays in ms; a random one counts with its mean. */
const waitsOf = (ops: readonly MacroOp[]): number =>
  ops.reduce((sum, op) => {
    if (op.kind === 'wait') return sum + op.ms
    if (op.kind === 'random-wait') return sum + Math.round((op.fromMs + op.toMs) / 2)
    return op.kind === 'strokes' ? sum + typingMs(op.strokes) : sum
  }, 0)

/** Between operations of one report each. Texts follow the reports by themselves; a control ends like it started. */
function reportGaps(ops: readonly MacroOp[]): number[] {
  const gaps: number[] = []
  let before: MacroOp | undefined
  let gap = 0
  for (const op of ops) {
    if (op.kind === 'wait') gap += op.ms
    else if (op.kind === 'random-wait') gap += op.fromMs
    else if (needsReport(op)) {
      const comesUp = op.kind === 'consumer' && op === before
      if (before && before.kind !== 'strokes' && !comesUp) gaps.push(gap)
      before = op
      gap = 0
    }
  }
  return gaps
}

const needsReport = ({ kind }: MacroOp): boolean =>
  ['key', 'button', 'consumer', 'wheel', 'move', 'strokes'].includes(kind)

function heldOf(ops: readonly MacroOp[]): { maxDown: number; leftDown: number } {
  const down = new Set<string>()
  let max = 0
  for (const op of ops) {
    const what = op.kind === 'key' ? op.usage : op.kind === 'button' ? `button ${op.button}` : undefined
    if (what !== undefined && !down.delete(`${what}`)) down.add(`${what}`)
    max = Math.max(max, down.size + (op.kind === 'strokes' && op.strokes.length > 0 ? 1 : 0))
  }
  return { maxDown: max, leftDown: down.size }
}
