/**
 * Returns the item at an index that the caller knows to be inside the list.
 * @throws RangeError when it is outside, or the list is missing, which is always a fault of the program
 */
export function itemAt<Item>(list: ArrayLike<Item> | undefined, index: number): Item {
  const item = list?.[index]
  if (item === undefined) throw new RangeError(`no item ${index} in a list of ${list?.length ?? 0}`)
  return item
}

/**
 * Returns the value under a key that the caller knows to be in the record.
 * @throws RangeError when it is missing, which is always a fault of the program
 */
export function valueOf<Value>(record: Readonly<Record<string, Value>> | undefined, key: string): Value {
  const value = record?.[key]
  if (value === undefined) throw new RangeError(`no entry "${key}"`)
  return value
}

/** The tuple of items of one type that `firstItems` returns. */
type Several<Item, Count extends number> = Count extends 2
  ? [Item, Item]
  : Count extends 3
    ? [Item, Item, Item]
    : [Item, Item, Item, Item]

/**
 * Returns the first items of a list that the caller knows to be long enough, for destructuring.
 * @throws RangeError when it is shorter, which is always a fault of the program
 */
export function firstItems<Item, Count extends 2 | 3 | 4>(
  list: ArrayLike<Item>,
  count: Count,
): Several<Item, Count>
export function firstItems<Item>(list: ArrayLike<Item>, count: number): Item[] {
  return Array.from({ length: count }, (_, index) => itemAt(list, index))
}
