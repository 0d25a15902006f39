/** Macros with more events are long: validating and storing so many objects would block the page. */
export const LONG_MACRO = 1000

/**
 * A macro as it is stored. A long one is stored as text, which the browser writes and reads many times faster than
 * thousands of objects.
 */
export const packMacro = (macro: { events: readonly unknown[] }): unknown =>
  macro.events.length > LONG_MACRO ? JSON.stringify(macro) : macro

/** The stored value as objects; text that is not valid JSON is returned unchanged and fails validation. */
export function unpackMacro(stored: unknown): unknown {
  if (typeof stored !== 'string') return stored
  try {
    return JSON.parse(stored)
  } catch {
    return stored
  }
}
