/** Usage of the first of the eight modifiers, LeftControl; the modifier byte of a keyboard report starts here. */
export const FIRST_MODIFIER_USAGE = 0xe0

/** Whether a usage is one of the eight in the modifier byte of a keyboard report. */
export const isModifierUsage = (usage: number): boolean =>
  usage >= FIRST_MODIFIER_USAGE && usage < FIRST_MODIFIER_USAGE + 8
