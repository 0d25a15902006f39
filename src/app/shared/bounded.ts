import type { MessageFacts } from '../../messages/facts/index'
import type { MessageKey } from '../../messages/message'
import { t } from '../../messages/page'

/** Messages that ask for a number within bounds; their units differ. */
export type RangeMessage = {
  [Key in MessageKey]: 'min' | 'max' extends keyof MessageFacts[Key]
    ? keyof MessageFacts[Key] extends 'min' | 'max'
      ? Key
      : never
    : never
}[MessageKey]

/** Applies a typed number within its bounds, or refuses it with a message. */
export const applyBounded =
  (min: number, max: number, message: RangeMessage, apply: (value: number) => unknown) =>
  (value: number): string | undefined => {
    if (value < min || value > max) return t(message, { min, max })
    apply(value)
    return undefined
  }
