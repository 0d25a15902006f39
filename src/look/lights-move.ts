import { createGlobalState, StorageSerializers, usePreferredReducedMotion } from '@vueuse/core'
import { computed } from 'vue'
import { useOwnSetting } from './own-storage'

const useChosen = createGlobalState(() =>
  useOwnSetting<boolean | null>('unisera-lights-move', null, { serializer: StorageSerializers.object }),
)

/** Whether lights move in the drawings of both pages: the person's last choice, or otherwise the system setting. */
export function useLightsMove() {
  const reduced = usePreferredReducedMotion()
  const chosen = useChosen()
  return computed({
    get: () => chosen.value ?? reduced.value !== 'reduce',
    set: (now: boolean) => (chosen.value = now),
  })
}
