import { createGlobalState } from '@vueuse/core'
import { useOwnSetting } from '../../look/own-storage'

/** When each profile was last opened or written, by its id; belongs to this browser, not to the profile. */
export const useLastUsed = createGlobalState(() => {
  const at = useOwnSetting<Record<string, number>>('unisera-last-used', {})
  const used = (id: string): void => {
    at.value = { ...at.value, [id]: Date.now() }
  }
  const lastUsed = (id: string): number => Number(at.value[id]) || 0
  return { used, lastUsed }
})
