import { itemAt } from '../base/items'
import { MOST_DEPTH, MOST_REPEATS, opBytes } from './macro-code'
import type { MacroOp } from './macro-ops'

/** Longest piece that is looked for again right behind itself. */
const MOST_PIECE = 64

/**
 * The same operations with pieces that follow each other folded into repeats wherever that saves bytes. What the
 * device does is the same: a repeat does its body over and over.
 */
export function foldRepeats(ops: readonly MacroOp[], depth = 0): MacroOp[] {
  if (depth >= MOST_DEPTH) return [...ops]
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

/** The piece at a place whose repeating saves most, or undefined where none saves anything. */
function bestFold(again: readonly Int32Array[], bytesTo: Int32Array, at: number) {
  let best: { length: number; times: number; saved: number } | undefined
  for (let length = 1; length < again.length; length++) {
    const times = Math.min(MOST_REPEATS, 1 + Math.floor((itemAt(again, length)[at] ?? 0) / length))
    if (times < 2) continue
    const body = (bytesTo[at + length] ?? 0) - (bytesTo[at] ?? 0)
    const saved = body * times - (body + repeatBytes(times))
    if (saved > 0 && saved > (best?.saved ?? 0)) best = { length, times, saved }
  }
  return best
}

/** What a repeat takes beside its body. */
const repeatBytes = (times: number): number => opBytes({ kind: 'repeat', times, body: [] })

/** For each place the bytes of all operations before it: a piece is weighed without writing it. */
function bytesBefore(ops: readonly MacroOp[]): Int32Array {
  const sums = new Int32Array(ops.length + 1)
  ops.forEach((op, index) => (sums[index + 1] = (sums[index] ?? 0) + opBytes(op)))
  return sums
}

/**
 * For each length of a piece and each place: how many operations from there on are the same as those one piece later;
 * and from which places on any piece is repeated. Filled from the end, so that a long macro takes one pass a length.
 */
function repeatsAhead(ops: readonly MacroOp[]): { byLength: Int32Array[]; from: Uint8Array } {
  const kinds = kindsOf(ops)
  const longest = Math.min(MOST_PIECE, Math.floor(ops.length / 2))
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

/** A number for each operation: two are the same when their numbers are. */
function kindsOf(ops: readonly MacroOp[]): Int32Array {
  const known = new Map<string, number>()
  return Int32Array.from(ops, (op) => {
    const text = op.kind === 'key' ? `k${op.usage}` : op.kind === 'wait' ? `w${op.ms}` : JSON.stringify(op)
    const kind = known.get(text) ?? known.size
    known.set(text, kind)
    return kind
  })
}

/** All repeats written out, for comparing. */
export const unfolded = (ops: readonly MacroOp[]): MacroOp[] =>
  ops.flatMap((op) =>
    op.kind === 'repeat' ? Array.from({ length: op.times }, () => unfolded(op.body)).flat() : [op],
  )
