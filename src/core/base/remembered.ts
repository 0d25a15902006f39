/**
 * A function of one object that is worked out once for each and forgotten with it. Only for what never changes:
 * device models, profiles, what is in them.
 */
export function rememberedFor<Key extends object, Value>(work: (key: Key) => Value): (key: Key) => Value {
  const known = new WeakMap<Key, Value>()
  return (key) => {
    if (!known.has(key)) known.set(key, work(key))
    // What was just put there is there.
    return known.get(key) as Value
  }
}
