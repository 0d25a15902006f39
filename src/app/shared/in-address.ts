import { watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { tableOf } from '../../core/base/tables'

type Place<Key extends string> = Record<Key, string | undefined>

/**
 * Keeps a place within a view in its address: what is open says so there, and an address opens it. Going on within a view
 * leaves no trail of steps back.
 *
 * @param keys of the address
 * @param place where one is now, by those keys
 * @param go opens the place of an address
 */
export function useInAddress<Key extends string>(
  keys: readonly Key[],
  place: () => Place<Key>,
  go: (place: Place<Key>) => void,
): void {
  const [route, router] = [useRoute(), useRouter()]
  const view = route.matched.at(-1)
  const inAddress = (): Place<Key> =>
    tableOf(keys, (key) => {
      const { [key]: text } = route.query
      return typeof text === 'string' ? text : undefined
    })
  const textOf = (at: Place<Key>): string => JSON.stringify(keys.map((key) => at[key]))
  /** What was put there from here is where one is already. */
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
  watch(
    () => textOf(place()),
    (text) => {
      if (route.matched.at(-1) !== view || text === textOf(inAddress())) return
      written = text
      void router.replace({ query: { ...route.query, ...place() } })
    },
  )
}
