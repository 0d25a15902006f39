import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import { useHeldEscape } from './held-escape'

/**
 * Waits for the next key on the person's keyboard, regardless of the focus. Escape cancels; held for a while, it is the
 * key.
 *
 * @param taken receives the code of the key
 */
export function useNextKey(taken: (code: string) => void) {
  const waiting = ref(false)
  const finish = (code: string) => {
    waiting.value = false
    taken(code)
  }
  const escape = useHeldEscape({ held: () => finish('Escape'), left: () => (waiting.value = false) })

  useEventListener(
    'keydown',
    (event: KeyboardEvent) => {
      if (!waiting.value) return
      event.preventDefault()
      event.stopImmediatePropagation()
      if (event.repeat) return
      if (event.code === 'Escape') escape.down()
      else finish(event.code)
    },
    { capture: true },
  )
  useEventListener(
    'keyup',
    (event: KeyboardEvent) => {
      if (waiting.value && event.code === 'Escape') escape.up()
    },
    { capture: true },
  )

  return waiting
}
