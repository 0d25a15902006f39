import type { MacroOp } from './macro-ops'

/**
 * Limits of a macro on a device (docs/onboard-format.md, "The budget of a macro"). The checks, the compiler, every
 * reader and the device count in the same way, without playing or expanding a macro.
 */
export const BUDGET = {
  /** Operations of one pass with expanded repeats; each stroke of a text counts as two. */
  steps: 100_000,
  /** Operations without a delay between them. */
  atOnce: 4096,
} as const

/** Counts of a sequence of operations. {@link sequenceCounts} combines two consecutive sequences. */
export interface OperationCounts {
  steps: number
  /** At the first moment, at the last, and at the busiest; all equal if no time passes. */
  first: number
  last: number
  max: number
  passesTime: boolean
}

export const NO_OPERATIONS: OperationCounts = { steps: 0, first: 0, last: 0, max: 0, passesTime: false }
const AN_INSTANT: OperationCounts = { steps: 1, first: 1, last: 1, max: 1, passesTime: false }
/** One operation that takes time. */
export const ONE_DELAY: OperationCounts = { steps: 1, first: 0, last: 0, max: 0, passesTime: true }

/** The counts of operations in a device's terms. */
export const countOperations = (ops: readonly MacroOp[]): OperationCounts =>
  ops.reduce((weight, op) => sequenceCounts(weight, weightOfOp(op)), NO_OPERATIONS)

/** Combines a sequence of operations with a following one. */
export function sequenceCounts(a: OperationCounts, b: OperationCounts): OperationCounts {
  const seam = a.last + b.first
  return {
    steps: a.steps + b.steps,
    first: a.passesTime ? a.first : seam,
    last: b.passesTime ? b.last : seam,
    max: Math.max(a.max, b.max, seam),
    passesTime: a.passesTime || b.passesTime,
  }
}

/** The same sequence repeated, computed at once. */
export function repeatedCounts(weight: OperationCounts, times: number): OperationCounts {
  if (times < 1) return NO_OPERATIONS
  const all = weight.passesTime ? weight.first : weight.first * times
  return {
    steps: weight.steps * times,
    first: all,
    last: weight.passesTime ? weight.last : all,
    max: Math.max(weight.max, all, times > 1 ? weight.last + weight.first : 0),
    passesTime: weight.passesTime,
  }
}

/** The exceeded limit of a macro; its text is made elsewhere. */
export interface BudgetProblem {
  key: 'too-much-in-one-pass' | 'too-much-at-once'
  facts: { does: number; max: number }
}

/** Returns the exceeded limit, or undefined. */
export function findBudgetProblem({ steps, max }: OperationCounts): BudgetProblem | undefined {
  if (steps > BUDGET.steps) return { key: 'too-much-in-one-pass', facts: { does: steps, max: BUDGET.steps } }
  return max > BUDGET.atOnce
    ? { key: 'too-much-at-once', facts: { does: max, max: BUDGET.atOnce } }
    : undefined
}

function weightOfOp(op: MacroOp): OperationCounts {
  switch (op.kind) {
    case 'repeat':
      return repeatedCounts(countOperations(op.body), op.times)
    case 'wait':
      return op.ms > 0 ? ONE_DELAY : AN_INSTANT
    case 'random-wait':
      return op.fromMs > 0 ? ONE_DELAY : AN_INSTANT
    case 'strokes':
      // Each half of a stroke takes a polling interval.
      return op.strokes.length > 0 ? { ...ONE_DELAY, steps: 2 * op.strokes.length } : AN_INSTANT
    default:
      return AN_INSTANT
  }
}
