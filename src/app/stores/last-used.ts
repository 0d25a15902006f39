import { createGlobalState, useLocalStorage } from '@vueuse/core'

/** When each profile was last opened or written, by its id: of this browser, and not of the profile. */
export const useLastUsed = createGlobalState(() => {
  const at = useLocalStorage<Record<string, number>>('unisera-last-used', {})
  const used = (id: string): void => {
    at.value = { ...at.value, [id]: Date.now() }
  }
  const lastUsed = (id: string): number => Number(at.value[id]) || 0
  return { used, lastUsed }
})
