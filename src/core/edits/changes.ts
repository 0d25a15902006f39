import { itemAt } from '../base/items'
import { isRecord, sameValue } from '../base/same-value'

/**
 * Differences between two JSON documents, as records that can be applied, reversed and counted. Undo, redo,
 * pending edits and comparing a slot with the library are all this.
 */
export interface Change {
  path: (string | number)[]
  /** Where in a row `from` stands and `to` is to stand, when both are pieces of it; left out for a whole value. */
  at?: number
  /** `undefined` where there was nothing. */
  from: unknown
  /** `undefined` where nothing is to be. */
  to: unknown
}

/**
 * @returns what turns `before` into `after`, leaf by leaf; rows whose length differs are replaced whole, for
 *   their entries have no identity of their own
 */
export function changesBetween(before: unknown, after: unknown, path: (string | number)[] = []): Change[] {
  if (Object.is(before, after)) return []
  if (Array.isArray(before) && Array.isArray(after) && before.length === after.length) {
    return before.flatMap((value: unknown, index) =>
      Object.is(value, after[index]) ? [] : changesBetween(value, after[index], [...path, index]),
    )
  }
  if (isRecord(before) && isRecord(after)) {
    const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])].sort()
    return keys.flatMap((key) => changesBetween(before[key], after[key], [...path, key]))
  }
  return sameValue(before, after) ? [] : [{ path, from: before, to: after }]
}

/**
 * The one piece of a row that has to be replaced to get from one to the other, as a change; none where they are equal.
 * For long rows whose entries move: what they have in common at both ends is left alone.
 */
export function pieceBetween(
  before: readonly unknown[],
  after: readonly unknown[],
  path: (string | number)[],
): Change[] {
  const most = Math.min(before.length, after.length)
  let at = 0
  while (at < most && sameValue(before[at], after[at])) at++
  let behind = 0
  while (
    behind < most - at &&
    sameValue(before[before.length - 1 - behind], after[after.length - 1 - behind])
  )
    behind++
  const from = before.slice(at, before.length - behind)
  const to = after.slice(at, after.length - behind)
  return from.length === 0 && to.length === 0 ? [] : [{ path, at, from, to }]
}

/** The changes that take back `changes`. */
export const reversed = (changes: readonly Change[]): Change[] =>
  [...changes].reverse().map((change) => ({ ...change, from: change.to, to: change.from }))

/**
 * Applies changes to a document, sharing what they leave alone.
 *
 * @returns the next document, or undefined when a place no longer holds what a change says it did, so that
 *   taking back an edit never takes somebody else's with it
 */
export function applyChanges<T>(document: T, changes: readonly Change[]): T | undefined {
  let next: unknown = document
  for (const change of changes) {
    const applied = applyAt(next, change.path, change)
    if (!applied) return undefined
    next = applied.value
  }
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- a change only puts back what a document of this type held
  return next as T
}

function applyAt(value: unknown, path: (string | number)[], change: Change): { value: unknown } | undefined {
  if (path.length === 0) {
    if (change.at !== undefined) return applyPiece(value, change.at, change)
    return sameValue(value, change.from) ? { value: change.to } : undefined
  }
  const [head, rest] = [itemAt(path, 0), path.slice(1)]
  if (Array.isArray(value) && typeof head === 'number') {
    const inner = applyAt(value[head], rest, change)
    return inner && { value: value.map((each: unknown, index) => (index === head ? inner.value : each)) }
  }
  if (!isRecord(value)) return undefined
  const inner = applyAt(value[head], rest, change)
  if (!inner) return undefined
  const { [head]: _replaced, ...others } = value
  return { value: inner.value === undefined ? others : { ...others, [head]: inner.value } }
}

function applyPiece(value: unknown, at: number, { from, to }: Change): { value: unknown } | undefined {
  if (!Array.isArray(value) || !Array.isArray(from) || !Array.isArray(to)) return undefined
  const [row, pieces]: [unknown[], unknown[]] = [value, to]
  const held = row.slice(at, at + from.length)
  return sameValue(held, from)
    ? { value: [...row.slice(0, at), ...pieces, ...row.slice(at + from.length)] }
    : undefined
}
