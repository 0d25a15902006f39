import type { CoreFactNames } from './facts/index'

/** The key of a message of the core: its area (a file of `src/messages/en`) and its name there. */
export type CoreMessageKey = keyof CoreFactNames

/**
 * A list of facts, joined by the language of the reader: “a, b and c”, “a, b or c”, “a, b, c”, the keys of a chord
 * “a+b”, or parts of an amount “1 h 5 min”.
 */
export interface FactList {
  readonly items: readonly MessageFact[]
  readonly join: 'and' | 'or' | 'comma' | 'plus' | 'space'
}

/** A value in a message: a name, a number, another message, or a list. */
export type MessageFact = string | number | Message | FactList

/**
 * A message for people, as its key and facts. The core contains no texts: a message becomes a text where it is shown
 * (`src/messages`). Messages are plain data, so they can be stored and sent between threads.
 */
export interface Message {
  readonly key: CoreMessageKey
  readonly facts?: Readonly<Record<string, MessageFact>>
}

/** Whether a value of unknown origin is a message. */
export const isMessage = (value: unknown): value is Message =>
  typeof value === 'object' && value !== null && 'key' in value && typeof value.key === 'string'

/** The facts of a message, as an argument: nothing without placeholders. */
type FactsArgument<Key extends CoreMessageKey> = [CoreFactNames[Key]] extends [never]
  ? []
  : [facts: { [Name in CoreFactNames[Key]]: Name extends 'count' ? number : MessageFact }]

/** Creates a message. A missing key or fact does not compile. */
export function message<Key extends CoreMessageKey>(key: Key, ...[facts]: FactsArgument<Key>): Message {
  return facts === undefined ? { key } : { key, facts }
}

/** Turns messages into texts, in the language of the reader. */
export type TextOf = (fact: MessageFact) => string

export const factList = (items: readonly MessageFact[], join: FactList['join'] = 'and'): FactList => ({
  items,
  join,
})
