import { MOST_DEPTH, MOST_REPEATS, opBytes, writeMacro, type MacroOp } from './macro-code'

/** Longest piece that is looked for again right behind itself. */
const MOST_PIECE = 64

/**
 * The same operations with pieces that follow each other folded into repeats wherever that saves bytes. What the
 * device does is the same: a repeat does its body over and over.
 */
export function foldRepeats(ops: readonly MacroOp[], depth = 0): MacroOp[] {
  if (depth >= MOST_DEPTH) return [...ops]
  const keys = ops.map((op) => JSON.stringify(op))
  const folded: MacroOp[] = []
  for (let at = 0; at < ops.length;) {
    const best = bestFold(ops, keys, at)
    if (!best) {
      folded.push(ops[at])
      at++
      continue
    }
    const body = foldRepeats(ops.slice(at, at + best.length), depth + 1)
    folded.push({ kind: 'repeat', times: best.times, body })
    at += best.length * best.times
  }
  return folded
}

/** The piece at a place whose repeating saves most, or undefined where none saves anything. */
function bestFold(ops: readonly MacroOp[], keys: readonly string[], at: number) {
  let best: { length: number; times: number; saved: number } | undefined
  const most = Math.min(MOST_PIECE, Math.floor((ops.length - at) / 2))
  for (let length = 1; length <= most; length++) {
    const times = Math.min(MOST_REPEATS, timesInARow(keys, at, length))
    if (times < 2) continue
    const piece = writeMacro(ops.slice(at, at + length)).length
    const saved = piece * times - opBytes({ kind: 'repeat', times, body: ops.slice(at, at + length) })
    if (saved > 0 && saved > (best?.saved ?? 0)) best = { length, times, saved }
  }
  return best
}

function timesInARow(keys: readonly string[], at: number, length: number): number {
  let times = 1
  while (same(keys, at, at + times * length, length)) times++
  return times
}

function same(keys: readonly string[], a: number, b: number, length: number): boolean {
  if (b + length > keys.length) return false
  for (let index = 0; index < length; index++) if (keys[a + index] !== keys[b + index]) return false
  return true
}

/** All repeats written out, for comparing. */
export const unfolded = (ops: readonly MacroOp[]): MacroOp[] =>
  ops.flatMap((op) =>
    op.kind === 'repeat' ? Array.from({ length: op.times }, () => unfolded(op.body)).flat() : [op],
  )
