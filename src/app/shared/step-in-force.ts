import { computed, type ComputedRef } from 'vue'
import { useEditor } from '../stores/editor'
import { usePending } from '../stores/pending'

/**
 * Which step previews of the open profile show, by its place from 0: the one in force on the device while the
 * profile's slot is on, else the default.
 */
export function useStepInForce(): ComputedRef<number | undefined> {
  const editor = useEditor()
  const { device, slot, sameProfile } = usePending()
  return computed(() => {
    const { connected, info } = device.value ?? {}
    const active = (info?.activeStep ?? 0) - 1
    const isOn = connected && info?.activeSlot === slot.value && sameProfile.value
    return isOn && editor.profile?.steps[active] ? active : editor.profile?.defaultStep
  })
}
