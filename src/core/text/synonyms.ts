import { message, type MessageFact } from '../message/message'

/** Common other names for our terms. The cell then shows our own. */
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
/** Replaces other names in a typed text by our terms. */
export const replaceSynonyms = (typed: string): string => {
  const found = OTHER_WORDS.find(([pattern]) => pattern.test(typed))
  return found ? typed.replace(...found) : typed
}
/** Why something that people ask for by name does not exist; undefined for everything else. */
export const unsupportedReason = (text: string): MessageFact | undefined =>
  /^(?:mute (?:the )?mic(?:rophone)?|mic(?:rophone)? mute)$/.test(text)
    ? message('parse.noMicrophoneKey')
    : undefined
