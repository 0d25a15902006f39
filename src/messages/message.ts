import type { MessageFacts } from './facts/index'

/** The name of a message: its area (a file of `en/`) and its key there. */
export type MessageKey = keyof MessageFacts

/** The facts of a message, as an argument: nothing without placeholders. */
export type FactsOf<Key extends MessageKey> =
  Record<string, never> extends MessageFacts[Key] ? [] : [facts: MessageFacts[Key]]
