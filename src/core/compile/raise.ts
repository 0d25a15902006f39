import { consumerByUsage } from '../hid/consumer-page'
import { keyByUsage } from '../hid/keyboard-page'
import { sameBytes, toHexBytes } from '../base/bytes'
import { unfolded } from '../onboard/fold'
import { weightOf } from '../onboard/macro-budget'
import { playable, writeMacro } from '../onboard/macro-code'
import type { MacroOp } from '../onboard/macro-ops'
import { toHex } from '../base/colour'
import { MOST_TEXT } from '../document/action-schema'
import { typedBy } from '../computer/typing'
import type { ComputerSetUp } from '../computer/shortcuts'
import { lowerMacro } from '../document/lower-macro'
import {
  emptyMacro,
  EMPTY_SHELF,
  MOST_AFTER_MS,
  MOST_COUNTS,
  MOST_DETENTS,
  MOST_EVENTS,
  type EventDoes,
  type Macro,
  type MacroEvent,
} from '../document/macro'

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

function isInBounds(event: MacroEvent): boolean {
  if (event.kind === 'text') return event.text !== '' && event.text.length <= MOST_TEXT
  if (event.kind === 'wheel')
    return Math.max(Math.abs(event.detents), Math.abs(event.sideways)) <= MOST_DETENTS
  if (event.kind === 'move') return Math.max(Math.abs(event.x), Math.abs(event.y)) <= MOST_COUNTS
  return event.kind !== 'pause' || event.toMs <= MOST_AFTER_MS
}

function codeOf(macro: Macro, on: ComputerSetUp): Uint8Array | undefined {
  try {
    return writeMacro(lowerMacro(macro, EMPTY_SHELF, on))
  } catch (error) {
    if (error instanceof RangeError) return undefined
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
    else for (const event of raised(op, down, on)) add(event)
  }
  while (waitMs > MOST_AFTER_MS) pause()
  if (waitMs > 0) events.push({ kind: 'pause', fromMs: waitMs, toMs: waitMs, afterMs: 0 })
  return events
}

function raised(op: MacroOp, down: Set<string>, on: ComputerSetUp): EventDoes[] {
  switch (op.kind) {
    case 'key': {
      const code = keyByUsage(op.usage)?.code
      return code === undefined ? [] : [{ kind: 'key', code, does: toggled(code, down) }]
    }
    case 'button':
      return [{ kind: 'button', button: op.button, does: toggled(`button ${op.button}`, down) }]
    case 'consumer': {
      // A control is pressed and let go at once; only the press is an event.
      const control = consumerByUsage(op.usage)?.id
      const does = toggled(`control ${op.usage}`, down)
      return control && does === 'press' ? [{ kind: 'control', control }] : []
    }
    case 'wheel':
      return [{ kind: 'wheel', detents: op.wheel, sideways: op.pan }]
    case 'move':
      return [{ kind: 'move', x: op.x, y: op.y }]
    case 'strokes':
      return [{ kind: 'text', text: typedBy(op.strokes, on) }]
    case 'random-wait':
      return [{ kind: 'pause', fromMs: op.fromMs, toMs: op.toMs }]
    case 'signal':
      return [{ kind: 'signal', colour: toHex(op.colour) }]
    case 'step':
      return op.to === 'next' || op.to === 'previous' ? [{ kind: 'step', to: op.to }] : []
    case 'layer':
      return [{ kind: 'layer', layer: op.layer }]
    case 'wait':
    case 'repeat':
    case 'unknown':
      return []
  }
}

function toggled(what: string, down: Set<string>): 'press' | 'release' {
  if (down.delete(what)) return 'release'
  down.add(what)
  return 'press'
}
