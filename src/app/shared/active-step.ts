import { computed, type ComputedRef } from 'vue'
import { useEditor } from '../stores/editor'
import { usePending } from '../stores/pending'

/**
 * The step shown in previews of the open profile, by its index: the active one of the device if the profile's slot is
 * active, otherwise the default.
 */
export function useActiveStep(): ComputedRef<number | undefined> {
  const editor = useEditor()
  const { device, slot, sameProfile } = usePending()
  return computed(() => {
    const { connected, info } = device.value ?? {}
    const active = (info?.activeStep ?? 0) - 1
    const isOn = connected && info?.activeSlot === slot.value && sameProfile.value
    return isOn && editor.profile?.steps[active] ? active : editor.profile?.defaultStep
  })
}
