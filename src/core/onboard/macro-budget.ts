import type { MacroOp } from './macro-ops'

/**
 * What a macro may ask of a device (docs/onboard-format.md, "The budget of a macro"). The checks, the compiler, every
 * reader and the device count the same way, and none has to play or write out a macro to know.
 */
export const BUDGET = {
  /** Operations of one pass, repeats written out; each stroke of a text is two. */
  steps: 100_000,
  /** Operations with no time between them. */
  atOnce: 4096,
} as const

/** What was counted of a row of operations. Two rows, one behind the other, are {@link behind}. */
export interface Weight {
  steps: number
  /** At the first instant, at the last, and at the busiest; all the same where no time passes. */
  first: number
  last: number
  most: number
  passesTime: boolean
}

export const NOTHING: Weight = { steps: 0, first: 0, last: 0, most: 0, passesTime: false }
const AN_INSTANT: Weight = { steps: 1, first: 1, last: 1, most: 1, passesTime: false }
/** Time passes, by one thing that is done. */
export const A_WAIT: Weight = { steps: 1, first: 0, last: 0, most: 0, passesTime: true }

/** The weight of operations in a device's terms. */
export const weightOf = (ops: readonly MacroOp[]): Weight =>
  ops.reduce((weight, op) => behind(weight, weightOfOp(op)), NOTHING)

/** One row of operations and another behind it. */
export function behind(a: Weight, b: Weight): Weight {
  const seam = a.last + b.first
  return {
    steps: a.steps + b.steps,
    first: a.passesTime ? a.first : seam,
    last: b.passesTime ? b.last : seam,
    most: Math.max(a.most, b.most, seam),
    passesTime: a.passesTime || b.passesTime,
  }
}

/** The same row so often, worked out at once. */
export function repeated(weight: Weight, times: number): Weight {
  if (times < 1) return NOTHING
  const all = weight.passesTime ? weight.first : weight.first * times
  return {
    steps: weight.steps * times,
    first: all,
    last: weight.passesTime ? weight.last : all,
    most: Math.max(weight.most, all, times > 1 ? weight.last + weight.first : 0),
    passesTime: weight.passesTime,
  }
}

/** What a macro does too much of; words are made of it higher up. */
export interface BudgetProblem {
  key: 'too-much-in-one-pass' | 'too-much-at-once'
  facts: { does: number; most: number }
}

/** What goes beyond the budget; undefined where nothing does. */
export function overBudget({ steps, most }: Weight): BudgetProblem | undefined {
  if (steps > BUDGET.steps) return { key: 'too-much-in-one-pass', facts: { does: steps, most: BUDGET.steps } }
  return most > BUDGET.atOnce
    ? { key: 'too-much-at-once', facts: { does: most, most: BUDGET.atOnce } }
    : undefined
}

function weightOfOp(op: MacroOp): Weight {
  switch (op.kind) {
    case 'repeat':
      return repeated(weightOf(op.body), op.times)
    case 'wait':
      return op.ms > 0 ? A_WAIT : AN_INSTANT
    case 'random-wait':
      return op.fromMs > 0 ? A_WAIT : AN_INSTANT
    case 'strokes':
      // Each end of a stroke takes a polling interval.
      return op.strokes.length > 0 ? { ...A_WAIT, steps: 2 * op.strokes.length } : AN_INSTANT
    default:
      return AN_INSTANT
  }
}
