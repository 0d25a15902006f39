/**
 * A function of one object that is worked out once for each and forgotten with it. Only for what never changes:
 * device models, profiles, what is in them.
 */
export function rememberedFor<Key extends object, Value>(work: (key: Key) => Value): (key: Key) => Value {
  const known = new WeakMap<Key, { value: Value }>()
  return (key) => {
    const found = known.get(key)
    if (found) return found.value
    const value = work(key)
    known.set(key, { value })
    return value
  }
}
