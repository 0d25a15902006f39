import { writeMacro, type MacroOp } from '../image/macro-code'
import type { Macro, MacroEvent } from './macro'
import { durationMs, eventTimes, heldBy, leftDown } from './timing'

/** What a macro comes to. */
export interface MacroFigures {
  events: number
  /** With the macros within; texts take two polling intervals a key on top. */
  durationMs: number
  /** Of its byte code, with repeats folded. */
  bytes: number
  eventsPerSecond: number
  /** Keys and buttons down at once, at most. */
  mostDown: number
  leftDown: number[]
  /** Between two events that each need a report; undefined with fewer than two. */
  shortestGapMs: number | undefined
}

/** @param ops its operations as the device keeps them */
export function macroFigures({ events }: Macro, ops: readonly MacroOp[]): MacroFigures {
  const lasts = Math.max(durationMs(events), waitsOf(ops))
  const gaps = reportGaps(events)
  return {
    ...{ events: events.length, durationMs: lasts, bytes: writeMacro(ops).length },
    eventsPerSecond: lasts > 0 ? (1000 * events.length) / lasts : 0,
    mostDown: mostDownAtOnce(events),
    leftDown: leftDown(events),
    shortestGapMs: gaps.length > 0 ? Math.min(...gaps) : undefined,
  }
}

/** All waits of operations in ms, those of macros within among them; one that is drawn counts with its mean. */
const waitsOf = (ops: readonly MacroOp[]): number =>
  ops.reduce((sum, op) => {
    if (op.kind === 'wait') return sum + op.ms
    if (op.kind === 'random-wait') return sum + Math.round((op.fromMs + op.toMs) / 2)
    return op.kind === 'repeat' ? sum + op.times * waitsOf(op.body) : sum
  }, 0)

const needsReport = ({ kind }: MacroEvent): boolean =>
  ['key', 'button', 'control', 'wheel', 'move'].includes(kind)

/** Between events of one report each, in ms. */
function reportGaps(events: readonly MacroEvent[]): number[] {
  const times = eventTimes(events).filter((_, index) => needsReport(events[index]))
  return times.slice(1).map((time, index) => time - times[index])
}

/** Places at which an event has to wait for a later report, polled at a rate. */
export const tooFastAt = (events: readonly MacroEvent[], rateHz: number): number =>
  reportGaps(events).filter((gap) => gap < 1000 / rateHz).length

function mostDownAtOnce(events: readonly MacroEvent[]): number {
  const down = new Set<string>()
  let most = 0
  for (const event of events) {
    const what = heldBy(event)
    if (what === undefined || !('does' in event)) continue
    if (event.does === 'press') down.add(what)
    else down.delete(what)
    most = Math.max(most, down.size)
  }
  return most
}
