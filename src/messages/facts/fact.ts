import type { MessageFact } from '../../core/message/message'

/** A value that a message shows. */
export type Fact = MessageFact | undefined
