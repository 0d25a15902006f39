import type { MessageFact } from '../message/message'

/** What happened to one part of a profile on another model. */
export interface MoveChange {
  what: MessageFact
  fate: 'fits' | 'changed' | 'left out'
  /** What it became, or why it was left out. */
  how: MessageFact
  /** The layer of a binding, by its index. */
  layer?: number
}
