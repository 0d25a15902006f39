/** Tables that the program itself defines: registries of kinds, words by key, settings by name. */

/** The keys of a table, with their type. Only for tables of our own, which have no other keys than their type says. */
export const keysOf = <Key extends string>(table: Readonly<Partial<Record<Key, unknown>>>): Key[] =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- `Object.keys` is typed for tables that may have more keys than their type says
  Object.keys(table) as Key[]

/** The entries of a table, with the type of their keys; see {@link keysOf}. */
export const entriesOf = <Key extends string, Value>(table: Readonly<Record<Key, Value>>): [Key, Value][] =>
  keysOf(table).map((key) => [key, table[key]])

/** A table with a value for each of some keys. */
export const tableOf = <Key extends string, Value>(
  keys: readonly Key[],
  valueFor: (key: Key) => Value,
): Record<Key, Value> =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- `Object.fromEntries` forgets the type of the keys
  Object.fromEntries(keys.map((key) => [key, valueFor(key)])) as Record<Key, Value>

/** The members of any value by name; none of what is not an object. */
export const membersOf = (value: unknown): Readonly<Record<string, unknown>> => Object(value)

/** A value with some members changed; the caller knows that it stays of its type. */
export const withMembers = <Whole extends object>(whole: Whole, change: object): Whole => ({
  ...whole,
  ...change,
})

/** A definition by its name, as the type that all definitions of a registry share. */
export const definitionIn = <Definition>(
  registry: Readonly<Record<string, unknown>>,
  name: string,
): Definition =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- Name and values belong together by the type of the registry; TypeScript cannot follow that through a lookup
  registry[name] as Definition

/** A kind with its values, where both come from one definition. */
export const ofKind = <Union extends { kind: string }>(kind: Union['kind'], values: object): Union =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- Values and kind come from the same parameters, from which the union's type is derived as well
  ({ kind, ...values }) as Union

/** The words of a key, made of its facts. */
export const worded = <Key extends string>(
  words: Readonly<Record<Key, (facts: never) => string>>,
  key: Key,
  facts: unknown,
): string =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- Key and facts belong together where they are made, by the type of their union
  words[key](facts as never)
