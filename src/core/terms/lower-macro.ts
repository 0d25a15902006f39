import { LoweringError } from '../base/errors'
import { fromHexBytes } from '../base/bytes'
import { memoizeByObject } from '../base/memoize'
import { budgetMessage } from '../wording/problem-messages'
import { message } from '../message/message'
import { foldRepeats } from '../onboard/fold'
import {
  ONE_DELAY,
  sequenceCounts,
  NO_OPERATIONS,
  findBudgetProblem,
  countOperations,
  type OperationCounts,
} from '../onboard/macro-budget'
import { MAX_WAIT_MS, playableOperations } from '../onboard/macro-code'
import type { MacroOp } from '../onboard/macro-ops'
import type { TargetComputer } from '../computer/shortcuts'
import { eventKind, type PressedKeys } from '../document/event-kinds'
import {
  EMPTY_SHELF,
  deviceCode,
  playedIn,
  type Macro,
  type MacroEvent,
  type MacroShelf,
} from '../document/macro'

/**
 * A macro in the device's terms, with expanded nested macros and folded repeats.
 *
 * @throws LoweringError for a text the layout cannot type, or a circle of macros; the checks find both earlier
 */
export const lowerMacro = (macro: Macro, shelf: MacroShelf, on: TargetComputer): MacroOp[] =>
  foldRepeats(lowerUnfolded(macro, shelf, on))

/**
 * The same without folding.
 *
 * @throws LoweringError as {@link lowerMacro} does, and for a macro that is too long for a device
 */
export function lowerUnfolded(macro: Macro, shelf: MacroShelf, on: TargetComputer): MacroOp[] {
  // Known without expanding anything: macros that play each other twice, thirty levels deep, would never end.
  const over = findBudgetProblem(countMacroOperations(macro, shelf, on))
  if (over) throw new LoweringError(budgetMessage(macro.name, over))
  const ops: MacroOp[] = []
  /** Keys held at the end of one macro are still held in the next. */
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

/** @throws LoweringError for code that no device can play: it can be stored, but not expanded in another macro */
function ownOps(macro: Macro): MacroOp[] {
  const ops = playableOperations(deviceCode(macro) ?? new Uint8Array())
  if (!ops) throw new LoweringError(message('checks.unreadableCode', { macro: macro.name }))
  return ops
}

/**
 * The counts of a macro, including the macros it plays; each of those is counted once, however often it is played.
 *
 * @throws LoweringError for a circle of macros
 */
export function countMacroOperations(macro: Macro, shelf: MacroShelf, on: TargetComputer): OperationCounts {
  const byComputer = weights(playedIn(macro).size > 0 ? shelf : EMPTY_SHELF)(macro)
  const key = `${on.system} ${on.layout}`
  const weight = byComputer.get(key) ?? weigh(macro, shelf, on)
  byComputer.set(key, weight)
  return weight
}

/** Cached counts by shelf, macro and computer: an edit of a profile needs those of all its macros again. */
const weights = memoizeByObject((_shelf: MacroShelf) =>
  memoizeByObject((_macro: Macro) => new Map<string, OperationCounts>()),
)

function weigh(macro: Macro, shelf: MacroShelf, on: TargetComputer): OperationCounts {
  const known = new Map<string, OperationCounts>()
  const path = new Set<string>()
  const weighOne = ({ id, name, events }: Macro): OperationCounts => {
    const found = known.get(id)
    if (found) return found
    if (path.has(id)) throw new LoweringError(message('checks.playsItself', { macro: name }))
    path.add(id)
    const weight = events.reduce((sum, event) => {
      const after = event.afterMs > 0 ? sequenceCounts(sum, ONE_DELAY) : sum
      if (event.kind === 'macro') {
        const inner = shelf.get(event.macro)
        return inner ? sequenceCounts(after, weighOne(inner)) : after
      }
      return sequenceCounts(
        after,
        countOperations(event.kind === 'code' ? codeOps(event.bytes) : weighed(event, on)),
      )
    }, NO_OPERATIONS)
    path.delete(id)
    known.set(id, weight)
    return weight
  }
  return weighOne(macro)
}

const codeOps = (bytes: string): MacroOp[] => playableOperations(fromHexBytes(bytes)) ?? []

/** As if nothing were held: pressing a held key does nothing and needs no more than a normal press. */
function weighed(event: Exclude<MacroEvent, { kind: 'macro' | 'code' }>, on: TargetComputer): MacroOp[] {
  try {
    return lowered(event, on, new Set())
  } catch (error) {
    // A text that cannot be typed; the checks report it where it is expanded.
    if (error instanceof LoweringError) return []
    throw error
  }
}

/** Consecutive delays are merged, up to the longest possible one; empty ones are dropped. */
const merged = (ops: readonly MacroOp[]): MacroOp[] => {
  const whole: MacroOp[] = []
  for (const op of ops) {
    if (op.kind !== 'wait') whole.push(op)
    else if (op.ms > 0) {
      const last = whole.at(-1)
      const sum = op.ms + (last?.kind === 'wait' ? last.ms : 0)
      if (last?.kind === 'wait') whole.pop()
      if (sum > MAX_WAIT_MS)
        whole.push({ kind: 'wait', ms: MAX_WAIT_MS }, { kind: 'wait', ms: sum - MAX_WAIT_MS })
      else whole.push({ kind: 'wait', ms: sum })
    }
  }
  return whole
}

/** `down` tracks the held keys. */
const lowered = (event: MacroEvent, on: TargetComputer, down: PressedKeys): MacroOp[] =>
  eventKind(event.kind).lower?.(event, on, down) ?? []
