/** Events above which a macro is long: its gate would hold the page, and so would the storage of so many objects. */
export const LONG_MACRO = 1000

/**
 * A macro as it is stored. A long one is stored as text, for the browser writes and reads that many times as fast as
 * thousands of objects.
 */
export const packed = (macro: { events: readonly unknown[] }): unknown =>
  macro.events.length > LONG_MACRO ? JSON.stringify(macro) : macro

/** What is stored, as objects; a text that is no JSON stays what it is, and no gate lets it pass. */
export function unpacked(stored: unknown): unknown {
  if (typeof stored !== 'string') return stored
  try {
    return JSON.parse(stored)
  } catch {
    return stored
  }
}
