import { itemAt } from '../base/items'
import { isRecord, deepEqual } from '../base/deep-equal'

/**
 * Differences between two JSON documents, as records that can be applied, reversed and counted. Undo, redo, unwritten
 * edits and comparisons of slots with the library use them.
 */
export interface Change {
  path: (string | number)[]
  /** Start of the replaced part of an array, if `from` and `to` are parts of it; omitted for a whole value. */
  at?: number
  /** `undefined` if there was nothing. */
  from: unknown
  /** `undefined` if it is removed. */
  to: unknown
}

/**
 * @returns changes from `before` to `after`, leaf by leaf; arrays of different lengths are replaced as a whole because
 *   their entries have no identity
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
  return deepEqual(before, after) ? [] : [{ path, from: before, to: after }]
}

/**
 * The single part of an array that differs, as a change; undefined if the arrays are equal. For long arrays whose
 * entries move: the common start and end are left out.
 */
export function arrayChange(
  before: readonly unknown[],
  after: readonly unknown[],
  path: (string | number)[],
): Change[] {
  const max = Math.min(before.length, after.length)
  let at = 0
  while (at < max && deepEqual(before[at], after[at])) at++
  let behind = 0
  while (behind < max - at && deepEqual(before[before.length - 1 - behind], after[after.length - 1 - behind]))
    behind++
  const from = before.slice(at, before.length - behind)
  const to = after.slice(at, after.length - behind)
  return from.length === 0 && to.length === 0 ? [] : [{ path, at, from, to }]
}

/** Changes that reverse `changes`. */
export const reverseChanges = (changes: readonly Change[]): Change[] =>
  [...changes].reverse().map((change) => ({ ...change, from: change.to, to: change.from }))

/**
 * Applies changes to a document and shares its unchanged parts.
 *
 * @returns the next document, or undefined if a place no longer has its expected value, so that undo never reverts the
 *   edits of others
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
    return deepEqual(value, change.from) ? { value: change.to } : undefined
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
  return deepEqual(held, from)
    ? { value: [...row.slice(0, at), ...pieces, ...row.slice(at + from.length)] }
    : undefined
}
