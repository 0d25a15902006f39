/** Helpers for tables defined by the program: registries of kinds, words by key, settings by name. */

/** Returns the keys of a table, with their type. Use it only for our own tables, which have exactly the keys of their type. */
export const keysOf = <Key extends string>(table: Readonly<Partial<Record<Key, unknown>>>): Key[] =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- `Object.keys` is typed for tables that may have more keys than their type says
  Object.keys(table) as Key[]

/** Returns the entries of a table, with the type of its keys; see {@link keysOf}. */
export const entriesOf = <Key extends string, Value>(table: Readonly<Record<Key, Value>>): [Key, Value][] =>
  keysOf(table).map((key) => [key, table[key]])

/** Builds a table with a value for each key. */
export const recordFromKeys = <Key extends string, Value>(
  keys: readonly Key[],
  valueFor: (key: Key) => Value,
): Record<Key, Value> =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- `Object.fromEntries` forgets the type of the keys
  Object.fromEntries(keys.map((key) => [key, valueFor(key)])) as Record<Key, Value>

/** Returns the members of any value by name; a value that is not an object has none. */
export const membersOf = (value: unknown): Readonly<Record<string, unknown>> => Object(value)

/** Returns a value with some members changed. The caller knows that its type stays the same. */
export const withMembers = <Whole extends object>(whole: Whole, change: object): Whole => ({
  ...whole,
  ...change,
})

/** Returns a definition by its name, as the type that all definitions of a registry share. */
export const definitionIn = <Definition>(
  registry: Readonly<Record<string, unknown>>,
  name: string,
): Definition =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- Name and values belong together by the type of the registry; TypeScript cannot follow that through a lookup
  registry[name] as Definition

/** Joins a kind and its values, where both come from one definition. */
export const ofKind = <Union extends { kind: string }>(kind: Union['kind'], values: object): Union =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- Values and kind come from the same parameters, from which the union's type is derived as well
  ({ kind, ...values }) as Union

/** Returns the message of a key with its facts, from a table with a function for each key. */
export const formatMessage = <Key extends string, Result>(
  messages: Readonly<Record<Key, (facts: never) => Result>>,
  key: Key,
  facts: unknown,
): Result =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- Key and facts belong together where they are created, by the type of their union
  messages[key](facts as never)
