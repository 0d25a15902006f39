import { LoweringError } from '../base/errors'
import { equalBytes, toHexBytes } from '../base/bytes'
import { unfoldRepeats } from '../onboard/fold'
import { countOperations } from '../onboard/macro-budget'
import { playableOperations, writeMacro } from '../onboard/macro-code'
import type { MacroOp } from '../onboard/macro-ops'
import type { TargetComputer } from '../computer/shortcuts'
import { isInBounds, MAX_DELAY_MS, raiseEvent, type EventContent } from '../document/event-kinds'
import { lowerMacro } from '../terms/lower-macro'
import { emptyMacro, EMPTY_SHELF, MAX_EVENTS, type Macro, type MacroEvent } from '../document/macro'

/** Maximum number of operations to write out: byte code of a few bytes can mean a hundred thousand. */
export const MAX_RAISED_OPERATIONS = 20_000

/**
 * Reconstructs the macro behind byte code as far as possible, with repeats and nested macros written out. If no events
 * produce the same code, or there would be too many, the macro consists of that code, kept byte for byte.
 *
 * @param room maximum number of operations
 */
export function raiseMacro(
  code: Uint8Array,
  id: string,
  name: string,
  on: TargetComputer,
  room = MAX_RAISED_OPERATIONS,
): Macro {
  const ops = playableOperations(code)
  const events = ops && countOperations(ops).steps <= room ? eventsOf(ops, on) : undefined
  const macro = { ...emptyMacro(id, name), events: events ?? [] }
  if (events && isWritable(macro) && equalBytes(codeOf(macro, on), code)) return macro
  return { ...macro, events: [{ kind: 'code', bytes: toHexBytes(code), afterMs: 0 }] }
}

/** Whether it is valid: a device can do slightly more than documents can express. */
const isWritable = ({ events }: Macro): boolean => events.length <= MAX_EVENTS && events.every(isInBounds)

function codeOf(macro: Macro, on: TargetComputer): Uint8Array | undefined {
  try {
    return writeMacro(lowerMacro(macro, EMPTY_SHELF, on))
  } catch (error) {
    if (error instanceof LoweringError) return undefined
    throw error
  }
}

function eventsOf(ops: readonly MacroOp[], on: TargetComputer): MacroEvent[] {
  const events: MacroEvent[] = []
  const down = new Set<string>()
  let waitMs = 0
  const add = (event: EventContent) => {
    while (waitMs > MAX_DELAY_MS) pause()
    events.push({ ...event, afterMs: waitMs })
    waitMs = 0
  }
  /** The part of a long delay that fits into one event. */
  const pause = () => {
    const afterMs = Math.min(waitMs, MAX_DELAY_MS)
    const ms = Math.min(waitMs - afterMs, MAX_DELAY_MS)
    events.push({ kind: 'pause', fromMs: ms, toMs: ms, afterMs })
    waitMs -= afterMs + ms
  }
  for (const op of unfoldRepeats(ops)) {
    if (op.kind === 'wait') waitMs += op.ms
    else {
      const event = raiseEvent(op, down, on)
      if (event) add(event)
    }
  }
  while (waitMs > MAX_DELAY_MS) pause()
  if (waitMs > 0) events.push({ kind: 'pause', fromMs: waitMs, toMs: waitMs, afterMs: 0 })
  return events
}
