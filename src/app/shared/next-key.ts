import { useEventListener, useTimeoutFn } from '@vueuse/core'
import { ref } from 'vue'

/** Escape held so long is the key that was wanted; shorter, it leaves. */
const ESCAPE_HELD_MS = 700

/**
 * Waits for the next key on the person's keyboard, whatever has the focus. Escape leaves without one, and is itself
 * taken when it is held for a while.
 *
 * @param taken told the code of the key
 */
export function useNextKey(taken: (code: string) => void) {
  const waiting = ref(false)
  const finish = (code: string) => {
    waiting.value = false
    taken(code)
  }
  const held = useTimeoutFn(() => finish('Escape'), ESCAPE_HELD_MS, { immediate: false })

  useEventListener(
    'keydown',
    (event: KeyboardEvent) => {
      if (!waiting.value) return
      event.preventDefault()
      event.stopImmediatePropagation()
      if (event.repeat) return
      if (event.code === 'Escape') held.start()
      else finish(event.code)
    },
    { capture: true },
  )
  useEventListener(
    'keyup',
    (event: KeyboardEvent) => {
      if (!waiting.value || event.code !== 'Escape') return
      held.stop()
      waiting.value = false
    },
    { capture: true },
  )

  return waiting
}
