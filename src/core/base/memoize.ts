/**
 * Caches the result of a function for each object, as long as the object exists. Use it only for immutable objects:
 * device models, profiles and their parts.
 */
export function memoizeByObject<Key extends object, Value>(work: (key: Key) => Value): (key: Key) => Value {
  const known = new WeakMap<Key, { value: Value }>()
  return (key) => {
    const found = known.get(key)
    if (found) return found.value
    const value = work(key)
    known.set(key, { value })
    return value
  }
}
