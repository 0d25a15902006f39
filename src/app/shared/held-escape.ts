import { useTimeoutFn } from '@vueuse/core'

/** Escape held so long is the key that was wanted; shorter, it leaves. */
const HELD_MS = 700

/** Tells Escape as the way out of waiting for a key from Escape as the key. */
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
