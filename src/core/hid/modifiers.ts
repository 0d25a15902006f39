/** First usage of the eight modifiers, LeftControl; the modifier byte of a keyboard report starts here. */
export const FIRST_MODIFIER_USAGE = 0xe0

/** True for the eight usages that a keyboard report carries in its modifier byte. */
export const isModifierUsage = (usage: number): boolean =>
  usage >= FIRST_MODIFIER_USAGE && usage < FIRST_MODIFIER_USAGE + 8
