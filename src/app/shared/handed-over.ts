import { createGlobalState } from '@vueuse/core'
import { shallowRef, watch } from 'vue'

/** A file that came from outside a view, for the view that opens next. */
export const useHandedOver = createGlobalState(() => shallowRef<File>())

/** Opens what was handed over, now or while the view stands. */
export function onHandedOver(open: (file: File) => unknown): void {
  const handed = useHandedOver()
  watch(
    handed,
    (file) => {
      if (!file) return
      handed.value = undefined
      void open(file)
    },
    { immediate: true },
  )
}
