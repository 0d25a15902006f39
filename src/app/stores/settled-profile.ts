import { useThrottleFn } from '@vueuse/core'
import { shallowRef, watch, type ShallowRef } from 'vue'
import type { Profile } from '../../core/document/schema'
import { useEditor } from './editor'

/** Five times a second. */
const WHILE_MOVING_MS = 200

/**
 * The open profile as what is worked out from all of it needs it: after each edit at once, while a gesture goes on at most
 * five times a second, and in any case once it rests.
 *
 * @returns the profile, and a function that brings it up to date now
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
