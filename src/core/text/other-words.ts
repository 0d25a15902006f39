/** What people call things elsewhere, and what it is here. What is read shows in the cell in our words. */
const OTHER_WORDS: readonly [RegExp, string][] = [
  [/^(?:mouse(?: button)?|mb|m|btn)[ -]?([1-8])$/i, 'button $1'],
  [/^lmb$/i, 'left click'],
  [/^rmb$/i, 'right click'],
  [/^mmb$/i, 'middle click'],
  [/^profile ?(\d+)$/i, 'slot $1'],
  [/^(next|previous) profile$/i, '$1 slot'],
  [/^dpi (?:up|\+)$/i, 'next step'],
  [/^dpi (?:down|-)$/i, 'previous step'],
  [/^(?:disabled?|unbound|no action|do nothing)$/i, 'off'],
  [/^volume mute$/i, 'mute'],
]
/** What was typed, in our words where it is somebody else's. */
export const inOurWords = (typed: string): string => {
  const found = OTHER_WORDS.find(([pattern]) => pattern.test(typed))
  return found ? typed.replace(...found) : typed
}
/** Why something that people ask for by name is not there; undefined for everything else. */
export const inNoWords = (text: string): string | undefined =>
  /^(?:mute (?:the )?mic(?:rophone)?|mic(?:rophone)? mute)$/.test(text)
    ? 'No key mutes the microphone on every system: bind the keys that your program for talking listens to'
    : undefined
