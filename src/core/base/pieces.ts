/**
 * Splits a value into pieces, so that each one is quick to send between threads. A value sent at once is also received
 * at once, and a macro of 20,000 events would block the page.
 */
export type Piece =
  | { whole: unknown }
  /** Items to append to the array at a path. */
  | { path: Path; items: unknown[] }

type Path = (string | number)[]

/** Longer arrays are sent item by item. */
const LONG = 100
/** Minimum number of values in a piece. */
const MAX_VALUES = 2000

/** @param value plain data: objects, arrays and primitive values */
export function* splitIntoPieces(value: unknown): Generator<Piece> {
  const { copy, long } = outline(value, [])
  yield { whole: copy }
  yield* itemsOf(long)
}

function* itemsOf(arrays: LongArray[]): Generator<Piece> {
  for (const { path, array } of arrays) {
    let items: unknown[] = []
    let within: LongArray[] = []
    let values = 0
    for (const [index, item] of array.entries()) {
      const { copy, long, count } = outline(item, [...path, index])
      items.push(copy)
      within.push(...long)
      values += count
      if (values < MAX_VALUES && index < array.length - 1) continue
      yield { path, items }
      yield* itemsOf(within)
      items = []
      within = []
      values = 0
    }
  }
}

interface LongArray {
  path: Path
  array: readonly unknown[]
}

interface Outline {
  copy: unknown
  /** Paths of the arrays that are sent empty. */
  long: LongArray[]
  /** Number of values in it. */
  count: number
}

function outline(value: unknown, path: Path): Outline {
  if (typeof value !== 'object' || value === null) return { copy: value, long: [], count: 1 }
  if (Array.isArray(value) && value.length > LONG)
    return { copy: [], long: [{ path, array: value }], count: 1 }
  const parts = Object.entries(value).map(
    ([key, part]) => [key, outline(part, [...path, Array.isArray(value) ? Number(key) : key])] as const,
  )
  return {
    copy: Array.isArray(value)
      ? parts.map(([, { copy }]) => copy)
      : Object.fromEntries(parts.map(([key, { copy }]) => [key, copy])),
    long: parts.flatMap(([, { long }]) => long),
    count: parts.reduce((sum, [, { count }]) => sum + count, 1),
  }
}

/** Joins the pieces again, in their original order. */
export class PieceJoiner {
  private value: unknown

  add(piece: Piece): void {
    if ('whole' in piece) this.value = piece.whole
    else this.arrayAt(piece.path).push(...piece.items)
  }

  /** @returns the value after the last piece */
  whole(): unknown {
    return this.value
  }

  private arrayAt(path: Path): unknown[] {
    let at = this.value
    for (const key of path) at = Reflect.get(Object(at), key)
    if (!Array.isArray(at)) throw new Error(`there is no array at ${path.join('.')}`)
    return at
  }
}
