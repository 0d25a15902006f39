import { LoweringError } from '../base/refusal'
import { fromHexBytes } from '../base/bytes'
import { rememberedFor } from '../base/remembered'
import { gateText } from '../wording/gate-words'
import { foldRepeats } from '../onboard/fold'
import { A_WAIT, behind, NOTHING, overBudget, weightOf, type Weight } from '../onboard/macro-budget'
import { MOST_WAIT_MS, playable } from '../onboard/macro-code'
import type { MacroOp } from '../onboard/macro-ops'
import type { ComputerSetUp } from '../computer/shortcuts'
import { eventKind, type Down } from '../document/event-kinds'
import {
  EMPTY_SHELF,
  ownCode,
  playedIn,
  type Macro,
  type MacroEvent,
  type MacroShelf,
} from '../document/macro'

/**
 * A macro in the device's terms, the macros it plays written out in it, repeats folded.
 *
 * @throws LoweringError for a text the layout cannot type, or a circle of macros; the checks find both before
 */
export const lowerMacro = (macro: Macro, shelf: MacroShelf, on: ComputerSetUp): MacroOp[] =>
  foldRepeats(opsOf(macro, shelf, on))

/**
 * The same with nothing folded.
 *
 * @throws LoweringError as {@link lowerMacro} does, and for a macro beyond what a device does in one pass
 */
export function opsOf(macro: Macro, shelf: MacroShelf, on: ComputerSetUp): MacroOp[] {
  // Known without writing anything out: macros that play each other twice, thirty deep, would never end.
  const over = overBudget(weightOfMacro(macro, shelf, on))
  if (over) throw new LoweringError(`${macro.name} ${gateText(over)}`)
  const ops: MacroOp[] = []
  /** What is down when one macro ends is down in the next. */
  const down = new Set<string>()
  const write = (each: Macro): void => {
    for (const event of each.events) {
      if (event.afterMs > 0) ops.push({ kind: 'wait', ms: event.afterMs })
      const inner = event.kind === 'macro' ? shelf.get(event.macro) : undefined
      if (event.kind === 'code') ops.push(...ownOps(each))
      else if (event.kind !== 'macro') ops.push(...lowered(event, on, down))
      else if (inner) write(inner)
    }
  }
  write(macro)
  return merged(ops)
}

/** @throws LoweringError for code that no device plays: it can be kept, and not written out in another */
function ownOps(macro: Macro): MacroOp[] {
  const ops = playable(ownCode(macro) ?? new Uint8Array())
  if (!ops) throw new LoweringError(`${macro.name} is code that this version cannot read`)
  return ops
}

/**
 * What a macro asks of a device, with the macros it plays; each of those is counted once, however often it is played.
 *
 * @throws LoweringError for a circle of macros
 */
export function weightOfMacro(macro: Macro, shelf: MacroShelf, on: ComputerSetUp): Weight {
  const byComputer = weights(playedIn(macro).size > 0 ? shelf : EMPTY_SHELF)(macro)
  const key = `${on.system} ${on.layout}`
  const weight = byComputer.get(key) ?? weigh(macro, shelf, on)
  byComputer.set(key, weight)
  return weight
}

/** Weights by shelf, macro and computer: an edit of a profile asks for those of all its macros again. */
const weights = rememberedFor((_shelf: MacroShelf) =>
  rememberedFor((_macro: Macro) => new Map<string, Weight>()),
)

function weigh(macro: Macro, shelf: MacroShelf, on: ComputerSetUp): Weight {
  const known = new Map<string, Weight>()
  const path = new Set<string>()
  const weighOne = ({ id, name, events }: Macro): Weight => {
    const found = known.get(id)
    if (found) return found
    if (path.has(id)) throw new LoweringError(`${name} plays itself`)
    path.add(id)
    const weight = events.reduce((sum, event) => {
      const after = event.afterMs > 0 ? behind(sum, A_WAIT) : sum
      if (event.kind === 'macro') {
        const inner = shelf.get(event.macro)
        return inner ? behind(after, weighOne(inner)) : after
      }
      return behind(after, weightOf(event.kind === 'code' ? codeOps(event.bytes) : weighed(event, on)))
    }, NOTHING)
    path.delete(id)
    known.set(id, weight)
    return weight
  }
  return weighOne(macro)
}

const codeOps = (bytes: string): MacroOp[] => playable(fromHexBytes(bytes)) ?? []

/** As if nothing were down: a press of what is down says nothing, and weighs no more than one that does. */
function weighed(event: Exclude<MacroEvent, { kind: 'macro' | 'code' }>, on: ComputerSetUp): MacroOp[] {
  try {
    return lowered(event, on, new Set())
  } catch (error) {
    // A text that cannot be typed: the checks say so, where it is written out.
    if (error instanceof LoweringError) return []
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

/** What is down so far is known by `down`. */
const lowered = (event: MacroEvent, on: ComputerSetUp, down: Down): MacroOp[] =>
  eventKind(event.kind).lower?.(event, on, down) ?? []
