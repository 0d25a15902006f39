import { LoweringError } from '../base/refusal'
import { sameBytes, toHexBytes } from '../base/bytes'
import { unfolded } from '../onboard/fold'
import { weightOf } from '../onboard/macro-budget'
import { playable, writeMacro } from '../onboard/macro-code'
import type { MacroOp } from '../onboard/macro-ops'
import type { ComputerSetUp } from '../computer/shortcuts'
import { isInBounds, MOST_AFTER_MS, raisedEvent, type EventDoes } from '../document/event-kinds'
import { lowerMacro } from '../terms/lower-macro'
import { emptyMacro, EMPTY_SHELF, MOST_EVENTS, type Macro, type MacroEvent } from '../document/macro'

/** How much may be written out at once, in operations: byte code of a few bytes can stand for a hundred thousand. */
export const MOST_WRITTEN_OUT = 20_000

/**
 * The macro that byte code came from, as far as it can be told: repeats and macros within it written out. Where no
 * events become the same code again, or there would be too many, the macro is that code, kept byte for byte.
 *
 * @param room operations that may be written out
 */
export function raiseMacro(
  code: Uint8Array,
  id: string,
  name: string,
  on: ComputerSetUp,
  room = MOST_WRITTEN_OUT,
): Macro {
  const ops = playable(code)
  const events = ops && weightOf(ops).steps <= room ? eventsOf(ops, on) : undefined
  const macro = { ...emptyMacro(id, name), events: events ?? [] }
  if (events && isWritable(macro) && sameBytes(codeOf(macro, on), code)) return macro
  return { ...macro, events: [{ kind: 'code', bytes: toHexBytes(code), afterMs: 0 }] }
}

/** Whether the gate lets it through: a device does a little more than a person can say. */
const isWritable = ({ events }: Macro): boolean => events.length <= MOST_EVENTS && events.every(isInBounds)

function codeOf(macro: Macro, on: ComputerSetUp): Uint8Array | undefined {
  try {
    return writeMacro(lowerMacro(macro, EMPTY_SHELF, on))
  } catch (error) {
    if (error instanceof LoweringError) return undefined
    throw error
  }
}

function eventsOf(ops: readonly MacroOp[], on: ComputerSetUp): MacroEvent[] {
  const events: MacroEvent[] = []
  const down = new Set<string>()
  let waitMs = 0
  const add = (event: EventDoes) => {
    while (waitMs > MOST_AFTER_MS) pause()
    events.push({ ...event, afterMs: waitMs })
    waitMs = 0
  }
  /** As much of a long wait as one event can hold. */
  const pause = () => {
    const afterMs = Math.min(waitMs, MOST_AFTER_MS)
    const ms = Math.min(waitMs - afterMs, MOST_AFTER_MS)
    events.push({ kind: 'pause', fromMs: ms, toMs: ms, afterMs })
    waitMs -= afterMs + ms
  }
  for (const op of unfolded(ops)) {
    if (op.kind === 'wait') waitMs += op.ms
    else {
      const event = raisedEvent(op, down, on)
      if (event) add(event)
    }
  }
  while (waitMs > MOST_AFTER_MS) pause()
  if (waitMs > 0) events.push({ kind: 'pause', fromMs: waitMs, toMs: waitMs, afterMs: 0 })
  return events
}
