import { createGlobalState } from '@vueuse/core'
import { HEX_COLOUR } from '../../core/base/colour'
import { useOwnSetting } from '../../look/own-storage'

const MAX_RECENT = 12

/** Recently used colours, the newest first; shared by all fields. */
export const useRecentColours = createGlobalState(() => {
  const kept = useOwnSetting<string[]>('unisera-recent-colours', [])
  const recent = (): string[] =>
    (Array.isArray(kept.value) ? kept.value : []).filter((colour) => HEX_COLOUR.test(String(colour)))

  function use(colour: string): void {
    kept.value = [colour, ...recent().filter((each) => each !== colour)].slice(0, MAX_RECENT)
  }

  return { recent, use }
})
