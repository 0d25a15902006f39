import { consumerById } from '../hid/consumer-page'
import { keyByCode } from '../hid/keyboard-page'
import { fromHexBytes } from '../base/bytes'
import { foldRepeats } from '../onboard/fold'
import { A_WAIT, behind, NOTHING, overBudget, weightOf, type Weight } from '../onboard/macro-budget'
import { MOST_WAIT_MS, playable } from '../onboard/macro-code'
import type { MacroOp } from '../onboard/macro-ops'
import { fromHex } from '../base/colour'
import { typeText } from '../computer/typing'
import type { ComputerSetUp } from '../computer/shortcuts'
import { ownCode, type Macro, type MacroEvent, type MacroShelf } from './macro'

/**
 * A macro in the device's terms, the macros it plays written out in it, repeats folded.
 *
 * @throws RangeError for a text the layout cannot type, or a circle of macros; the checks find both before
 */
export const lowerMacro = (macro: Macro, shelf: MacroShelf, on: ComputerSetUp): MacroOp[] =>
  foldRepeats(opsOf(macro, shelf, on))

/**
 * The same with nothing folded.
 *
 * @throws RangeError as {@link lowerMacro} does, and for a macro beyond what a device does in one pass
 */
export function opsOf(macro: Macro, shelf: MacroShelf, on: ComputerSetUp): MacroOp[] {
  // Known without writing anything out: macros that play each other twice, thirty deep, would never end.
  const over = overBudget(weightOfMacro(macro, shelf, on))
  if (over) throw new RangeError(`${macro.name} ${over}`)
  const ops: MacroOp[] = []
  /** What is down when one macro ends is down in the next. */
  const down = new Set<string>()
  const write = (each: Macro): void => {
    for (const event of each.events) {
      if (event.afterMs > 0) ops.push({ kind: 'wait', ms: event.afterMs })
      const inner = event.kind === 'macro' ? shelf.get(event.macro) : undefined
      if (event.kind === 'code') ops.push(...ownOps(each))
      else if (event.kind !== 'macro') ops.push(...eventOps(event, on, down))
      else if (inner) write(inner)
    }
  }
  write(macro)
  return merged(ops)
}

/** @throws RangeError for code that no device plays: it can be kept, and not written out in another */
function ownOps(macro: Macro): MacroOp[] {
  const ops = playable(ownCode(macro) ?? new Uint8Array())
  if (!ops) throw new RangeError(`${macro.name} is code that this version cannot read`)
  return ops
}

/**
 * What a macro asks of a device, with the macros it plays; each of those is counted once, however often it is played.
 *
 * @throws RangeError for a circle of macros
 */
export function weightOfMacro(macro: Macro, shelf: MacroShelf, on: ComputerSetUp): Weight {
  const known = new Map<string, Weight>()
  const path = new Set<string>()
  const weigh = ({ id, name, events }: Macro): Weight => {
    const found = known.get(id)
    if (found) return found
    if (path.has(id)) throw new RangeError(`${name} plays itself`)
    path.add(id)
    const weight = events.reduce((sum, event) => {
      const after = event.afterMs > 0 ? behind(sum, A_WAIT) : sum
      if (event.kind === 'macro') {
        const inner = shelf.get(event.macro)
        return inner ? behind(after, weigh(inner)) : after
      }
      return behind(after, weightOf(event.kind === 'code' ? codeOps(event.bytes) : weighed(event, on)))
    }, NOTHING)
    path.delete(id)
    known.set(id, weight)
    return weight
  }
  return weigh(macro)
}

const codeOps = (bytes: string): MacroOp[] => playable(fromHexBytes(bytes)) ?? []

/** As if nothing were down: a press of what is down says nothing, and weighs no more than one that does. */
function weighed(event: Exclude<MacroEvent, { kind: 'macro' | 'code' }>, on: ComputerSetUp): MacroOp[] {
  try {
    return eventOps(event, on, new Set())
  } catch (error) {
    // A text that cannot be typed: the checks say so, where it is written out.
    if (error instanceof RangeError) return []
    throw error
  }
}

/** Waits that follow each other are one, up to the longest there is; none of nothing. */
const merged = (ops: readonly MacroOp[]): MacroOp[] => {
  const whole: MacroOp[] = []
  for (const op of ops) {
    if (op.kind !== 'wait') whole.push(op)
    else if (op.ms > 0) {
      const last = whole.at(-1)
      const sum = op.ms + (last?.kind === 'wait' ? last.ms : 0)
      if (last?.kind === 'wait') whole.pop()
      if (sum > MOST_WAIT_MS)
        whole.push({ kind: 'wait', ms: MOST_WAIT_MS }, { kind: 'wait', ms: sum - MOST_WAIT_MS })
      else whole.push({ kind: 'wait', ms: sum })
    }
  }
  return whole
}

/** Keys and buttons toggle in byte code: a press of what is down, or a release of what is up, says nothing. */
function eventOps(
  event: Exclude<MacroEvent, { kind: 'macro' | 'code' }>,
  on: ComputerSetUp,
  down: Set<string>,
): MacroOp[] {
  switch (event.kind) {
    case 'key':
      return changes(event.code, event.does, down)
        ? [{ kind: 'key', usage: keyByCode(event.code)?.usage ?? 0 }]
        : []
    case 'button':
      return changes(`button ${event.button}`, event.does, down)
        ? [{ kind: 'button', button: event.button }]
        : []
    case 'control': {
      const op: MacroOp = { kind: 'consumer', usage: consumerById(event.control)?.usage ?? 0 }
      return [op, op]
    }
    case 'wheel':
      return [{ kind: 'wheel', wheel: event.detents, pan: event.sideways }]
    case 'move':
      return [{ kind: 'move', x: event.x, y: event.y }]
    case 'text':
      return [{ kind: 'strokes', strokes: typeText(event.text, on) }]
    case 'pause':
      return event.fromMs === event.toMs
        ? [{ kind: 'wait', ms: event.fromMs }]
        : [{ kind: 'random-wait', fromMs: event.fromMs, toMs: event.toMs }]
    case 'signal':
      return [{ kind: 'signal', colour: fromHex(event.colour) }]
    case 'step':
      return [{ kind: 'step', to: event.to }]
    case 'layer':
      return [{ kind: 'layer', layer: event.layer }]
  }
}

function changes(what: string, does: 'press' | 'release', down: Set<string>): boolean {
  if ((does === 'press') === down.has(what)) return false
  if (does === 'press') down.add(what)
  else down.delete(what)
  return true
}
