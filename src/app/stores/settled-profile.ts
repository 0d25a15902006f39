import { useThrottleFn } from '@vueuse/core'
import { shallowRef, watch, type ShallowRef } from 'vue'
import type { Profile } from '../../core/document/schema'
import { useEditor } from './editor'

/** Five times per second. */
const WHILE_MOVING_MS = 200

/**
 * The open profile for expensive computations: updated at once after an edit, at most five times per second during a
 * gesture, and at its end.
 *
 * @returns the profile, and a function that updates it now
 */
export function useSettledProfile(): {
  settled: Readonly<ShallowRef<Profile | undefined>>
  settle: () => void
} {
  const editor = useEditor()
  const settled = shallowRef(editor.profile)
  const settle = () => void (settled.value = editor.profile)
  const settleSoon = useThrottleFn(settle, WHILE_MOVING_MS, true, false)
  watch(
    () => editor.profile,
    () => (editor.inGesture ? void settleSoon() : settle()),
    { flush: 'sync' },
  )
  return { settled, settle }
}
