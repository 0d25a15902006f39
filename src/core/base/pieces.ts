/**
 * A value taken apart so that every piece goes from one thread to another in little time: what is handed over whole is
 * read whole, and a macro of 20,000 events would hold the page for it.
 */
export type Piece =
  | { whole: unknown }
  /** Items that belong at the end of the array at a path. */
  | { path: Path; items: unknown[] }

type Path = (string | number)[]

/** Arrays longer than this are sent by their items. */
const LONG = 100
/** Values a piece holds at least, before another is begun. */
const MOST_VALUES = 2000

/** @param value plain data: objects, arrays and what is neither */
export function* piecesOf(value: unknown): Generator<Piece> {
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
      if (values < MOST_VALUES && index < array.length - 1) continue
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
  /** The arrays that are empty in it. */
  long: LongArray[]
  /** Values in it. */
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

/** Puts the pieces together again, in the order in which they were made. */
export class Gathering {
  private value: unknown

  add(piece: Piece): void {
    if ('whole' in piece) this.value = piece.whole
    else this.arrayAt(piece.path).push(...piece.items)
  }

  /** @returns the value, once all pieces are in */
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
