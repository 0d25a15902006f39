import type { ComputerSetUp } from '../computer/shortcuts'
import type { MacroOp } from '../onboard/macro-ops'
import { macroCode } from './code'
import { strokesMs } from './lasting'
import { opsOf } from '../terms/lower-macro'
import type { Macro, MacroShelf } from '../document/macro'

/** What a macro comes to, with the macros it plays. */
export interface MacroFigures {
  /** Texts are counted with a report each ms. */
  durationMs: number
  /** Whether it types text. */
  types: boolean
  /** Of its byte code, with repeats folded. */
  bytes: number
  /** Keys and buttons down at once, at most. */
  mostDown: number
  /** Keys and buttons that are still down when it ends. */
  leftDown: number
  /** Between two events that each need a report, each as short as it can be, in ms. */
  gapsMs: number[]
}

/** @throws LoweringError for a text the layout cannot type, or a circle of macros */
export function macroFigures(macro: Macro, shelf: MacroShelf, on: ComputerSetUp): MacroFigures {
  const ops = opsOf(macro, shelf, on)
  return {
    durationMs: waitsOf(ops),
    types: ops.some(({ kind }) => kind === 'strokes'),
    bytes: macroCode(macro, shelf, on).length,
    ...heldOf(ops),
    gapsMs: reportGaps(ops),
  }
}

/** Places at which an event has to wait for a later report, polled at a rate. */
export const tooFastAt = (gapsMs: readonly number[], rateHz: number): number =>
  gapsMs.filter((gap) => gap < 1000 / rateHz).length

/** All waits in ms; one that is drawn counts with its mean. */
const waitsOf = (ops: readonly MacroOp[]): number =>
  ops.reduce((sum, op) => {
    if (op.kind === 'wait') return sum + op.ms
    if (op.kind === 'random-wait') return sum + Math.round((op.fromMs + op.toMs) / 2)
    return op.kind === 'strokes' ? sum + strokesMs(op.strokes) : sum
  }, 0)

/** Between operations of one report each. Texts keep to the reports by themselves; a control comes up as it went down. */
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

function heldOf(ops: readonly MacroOp[]): { mostDown: number; leftDown: number } {
  const down = new Set<string>()
  let most = 0
  for (const op of ops) {
    const what = op.kind === 'key' ? op.usage : op.kind === 'button' ? `button ${op.button}` : undefined
    if (what !== undefined && !down.delete(`${what}`)) down.add(`${what}`)
    most = Math.max(most, down.size + (op.kind === 'strokes' && op.strokes.length > 0 ? 1 : 0))
  }
  return { mostDown: most, leftDown: down.size }
}
