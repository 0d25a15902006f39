import { itemAt } from '../base/items'
import { MAX_DEPTH, MAX_REPEATS, opBytes } from './macro-code'
import type { MacroOp } from './macro-ops'

/** Longest sequence that is compared with the one after it. */
const MAX_PIECE = 64

/**
 * Folds consecutive equal sequences of operations into repeats where this saves bytes. The behaviour is the same: a
 * repeat performs its body several times.
 */
export function foldRepeats(ops: readonly MacroOp[], depth = 0): MacroOp[] {
  if (depth >= MAX_DEPTH) return [...ops]
  const again = repeatsAhead(ops)
  const bytesTo = bytesBefore(ops)
  const folded: MacroOp[] = []
  for (let at = 0; at < ops.length;) {
    const best = again.from[at] ? bestFold(again.byLength, bytesTo, at) : undefined
    if (!best) {
      folded.push(itemAt(ops, at))
      at++
      continue
    }
    const body = foldRepeats(ops.slice(at, at + best.length), depth + 1)
    folded.push({ kind: 'repeat', times: best.times, body })
    at += best.length * best.times
  }
  return folded
}

/** The sequence at an index whose repeat saves most, or undefined if none saves bytes. */
function bestFold(again: readonly Int32Array[], bytesTo: Int32Array, at: number) {
  let best: { length: number; times: number; saved: number } | undefined
  for (let length = 1; length < again.length; length++) {
    const times = Math.min(MAX_REPEATS, 1 + Math.floor((itemAt(again, length)[at] ?? 0) / length))
    if (times < 2) continue
    const body = (bytesTo[at + length] ?? 0) - (bytesTo[at] ?? 0)
    const saved = body * times - (body + repeatBytes(times))
    if (saved > 0 && saved > (best?.saved ?? 0)) best = { length, times, saved }
  }
  return best
}

/** Bytes of a repeat besides its body. */
const repeatBytes = (times: number): number => opBytes({ kind: 'repeat', times, body: [] })

/** Total bytes before each index, so that the size of a sequence is known without writing it. */
function bytesBefore(ops: readonly MacroOp[]): Int32Array {
  const sums = new Int32Array(ops.length + 1)
  ops.forEach((op, index) => (sums[index + 1] = (sums[index] ?? 0) + opBytes(op)))
  return sums
}

/**
 * For each length and index: the number of operations from there that equal those one sequence later; and the first
 * indices with any repeat. Filled from the end, so that a long macro takes one pass per length.
 */
function repeatsAhead(ops: readonly MacroOp[]): { byLength: Int32Array[]; from: Uint8Array } {
  const kinds = kindsOf(ops)
  const longest = Math.min(MAX_PIECE, Math.floor(ops.length / 2))
  const from = new Uint8Array(ops.length)
  const byLength = Array.from({ length: longest + 1 }, (_, length) => {
    const same = new Int32Array(ops.length)
    for (let at = ops.length - length - 1; at >= 0 && length > 0; at--) {
      if (kinds[at] !== kinds[at + length]) continue
      same[at] = (same[at + 1] ?? 0) + 1
      if ((same[at] ?? 0) >= length) from[at] = 1
    }
    return same
  })
  return { byLength, from }
}

/** A number for each operation; equal numbers mean equal operations. */
function kindsOf(ops: readonly MacroOp[]): Int32Array {
  const known = new Map<string, number>()
  return Int32Array.from(ops, (op) => {
    const text = op.kind === 'key' ? `k${op.usage}` : op.kind === 'wait' ? `w${op.ms}` : JSON.stringify(op)
    const kind = known.get(text) ?? known.size
    known.set(text, kind)
    return kind
  })
}

/** Expands all repeats, for comparisons. */
export const unfoldRepeats = (ops: readonly MacroOp[]): MacroOp[] =>
  ops.flatMap((op) =>
    op.kind === 'repeat' ? Array.from({ length: op.times }, () => unfoldRepeats(op.body)).flat() : [op],
  )
