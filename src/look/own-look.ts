import { createGlobalState, StorageSerializers, usePreferredContrast } from '@vueuse/core'
import { computed, watchEffect } from 'vue'
import { useOwnSetting } from './own-storage'

/** Text sizes in percent, the default first. */
export const TEXT_SIZES = [100, 112, 125] as const

export interface OwnLook {
  textSize: number
  contrast: 'usual' | 'more'
}

const useKept = createGlobalState(() =>
  useOwnSetting<Partial<OwnLook> | null>('unisera-look', null, { serializer: StorageSerializers.object }),
)

/** Text size and contrast for both pages, as set; defaults for unreadable values. */
export function useOwnLook() {
  const kept = useKept()
  const look = computed((): OwnLook => {
    const { textSize, contrast } = kept.value ?? {}
    return {
      textSize: TEXT_SIZES.find((size) => size === textSize) ?? TEXT_SIZES[0],
      contrast: contrast === 'more' ? 'more' : 'usual',
    }
  })
  const setLook = (change: Partial<OwnLook>): void => {
    kept.value = { ...look.value, ...change }
  }
  return { look, setLook }
}

/** Applies them to the page, now and after changes. */
export function applyOwnLook(): void {
  const { look } = useOwnLook()
  const preferred = usePreferredContrast()
  watchEffect(() => {
    const { style, dataset } = document.documentElement
    style.setProperty('--text-scale', `${look.value.textSize / 100}`)
    dataset.contrast = preferred.value === 'more' ? 'more' : look.value.contrast
  })
}
