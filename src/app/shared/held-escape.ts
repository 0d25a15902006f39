import { useTimeoutFn } from '@vueuse/core'

/** Holding Escape this long captures it as a key; a shorter press cancels. */
const HELD_MS = 700

/** Distinguishes Escape for cancelling a capture from Escape as the captured key. */
export function useHeldEscape(ends: { held: () => void; left: () => void }) {
  const timer = useTimeoutFn(ends.held, HELD_MS, { immediate: false })
  return {
    down: () => timer.start(),
    up(): void {
      if (!timer.isPending.value) return
      timer.stop()
      ends.left()
    },
  }
}
