import { t } from '../../messages/page'
import { useEventListener } from '@vueuse/core'
import { ref, type Ref } from 'vue'
import { errorMessage } from '../stores/notifications'
import type { TryOut } from './try-out'

/** The person's own mouse instead of the simulated hand, while an element has the pointer. */
export function useOwnMouse(surface: Ref<HTMLElement | null>, tryOut: TryOut) {
  const locked = ref(false)
  /** Whether the browser provides movement without the system's acceleration. */
  const unadjusted = ref(true)
  const problem = ref<string>()

  async function take(): Promise<void> {
    problem.value = undefined
    const element = surface.value
    if (!element) return
    element.focus()
    try {
      await element.requestPointerLock({ unadjustedMovement: true })
      unadjusted.value = true
    } catch {
      try {
        await element.requestPointerLock()
        unadjusted.value = false
      } catch (error) {
        problem.value = t('motion.theBrowserDidNotReleaseThePointer', { message: errorMessage(error) })
      }
    }
  }

  useEventListener(document, 'pointerlockchange', () => {
    locked.value = document.pointerLockElement === surface.value
    if (!locked.value) for (let button = 0; button < 5; button++) tryOut.pressOwn(button, false)
  })
  useEventListener(document, 'mousemove', (event) => {
    if (locked.value) tryOut.moveOwn(event.movementX, event.movementY)
  })
  useEventListener(document, 'mousedown', (event) => {
    if (!locked.value) return
    event.preventDefault()
    tryOut.pressOwn(event.button, true)
  })
  useEventListener(document, 'mouseup', (event) => {
    if (locked.value) tryOut.pressOwn(event.button, false)
  })
  useEventListener(document, 'wheel', (event) => {
    if (locked.value) tryOut.turnOwn(event.deltaY < 0)
  })

  return { locked, unadjusted, problem, take }
}
