import { watchDebounced } from '@vueuse/core'
import { announce } from '../../look/announce'

/** Typing goes on within this time. */
const TYPING_MS = 500

/** Has a screen reader say how much a search has found, when typing rests. */
export function useFoundCount(search: () => string, found: () => number): void {
  watchDebounced(
    [search, found],
    ([text, count]) => text.trim() !== '' && announce(count === 0 ? 'Nothing found' : `Found: ${count}`),
    { debounce: TYPING_MS },
  )
}
