import { t } from '../../messages/page'
import { watchDebounced } from '@vueuse/core'
import { announce } from '../../look/announce'

/** Typing pauses shorter than this do not trigger an announcement. */
const TYPING_MS = 500

/** Announces the number of matches of a search when typing pauses. */
export function useFoundCount(search: () => string, found: () => number): void {
  watchDebounced(
    [search, found],
    ([text, count]) =>
      text.trim() !== '' && announce(count === 0 ? t('shared.noResults') : t('shared.result', { count })),
    { debounce: TYPING_MS },
  )
}
