import { tryOnScopeDispose, watchDebounced } from '@vueuse/core'
import { watch } from 'vue'
import { isNavigationFailure, NavigationFailureType, useRoute, useRouter, type Router } from 'vue-router'
import { recordFromKeys } from '../../core/base/tables'

type Place<Key extends string> = Record<Key, string | undefined>

/**
 * Keeps the open place of a view in its address: the address opens the place, and changes are written to it. This adds
 * nothing to the browser's history. Each write is a navigation, so it waits until the place has been stable for a
 * moment.
 *
 * @param keys of the address
 * @param place the current place, by these keys
 * @param go opens the place of an address
 */
export function useAddressValue<Key extends string>(
  keys: readonly Key[],
  place: () => Place<Key>,
  go: (place: Place<Key>) => void,
): void {
  const [route, router] = [useRoute(), useRouter()]
  const view = route.matched.at(-1)
  const inAddress = (): Place<Key> =>
    recordFromKeys(keys, (key) => {
      const { [key]: text } = route.query
      return typeof text === 'string' ? text : undefined
    })
  const textOf = (at: Place<Key>): string => JSON.stringify(keys.map((key) => at[key]))
  const leaving = useLeaving(router)
  /** Addresses written here are already open. */
  let written: string | undefined
  watch(
    () => textOf(inAddress()),
    (text) => {
      if (route.matched.at(-1) !== view || text === written) return
      written = undefined
      go(inAddress())
    },
    { immediate: true },
  )
  // A write that still waits when the view is left would open its place in the next instance of the view.
  let left = false
  tryOnScopeDispose(() => (left = true))
  function write(): void {
    const text = textOf(place())
    if (left || leaving()) return
    if (route.matched.at(-1) !== view || text === textOf(inAddress())) return
    written = text
    void router.replace({ query: { ...route.query, ...place() } })
  }
  watchDebounced(() => textOf(place()), write, { debounce: WRITE_AFTER_MS })
  // A closed place is not open again after a reload, however soon that follows.
  watch(
    () => textOf(place()),
    () => {
      const [now, before] = [place(), inAddress()]
      if (keys.some((key) => now[key] === undefined && before[key] !== undefined)) write()
    },
  )
}

/**
 * Whether a navigation to another path is in progress: a write to the address would cancel it, and the click that
 * closes a place is often one on a link.
 */
function useLeaving(router: Router): () => boolean {
  let leaving = false
  const stop = [
    router.beforeEach((to, from) => {
      if (to.path !== from.path) leaving = true
    }),
    router.afterEach((_to, _from, failure) => {
      // A cancelled navigation was replaced by another one, which also ends here.
      if (!isNavigationFailure(failure, NavigationFailureType.cancelled)) leaving = false
    }),
    router.onError(() => {
      leaving = false
    }),
  ]
  tryOnScopeDispose(() => {
    for (const each of stop) each()
  })
  return () => leaving
}

const WRITE_AFTER_MS = 600
