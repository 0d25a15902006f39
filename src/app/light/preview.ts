import { computed, type ComputedRef } from 'vue'
import { profileLight } from '../../core/terms/profile-power'
import type { DeviceModel } from '../../core/device/model'
import { brightnessOf } from '../../core/terms/light-state'
import type { Profile } from '../../core/document/schema'
import type { LightState } from '../../core/effects/effect'
import { ONE } from '../../core/effects/fixed'
import { composeLight, driveLights, prepareLight } from '../../core/light/compose'
import type { LightEntry } from '../../core/onboard/light-stack'

const NONE = new Uint8Array()

/**
 * The light of a stack at a time, computed like on the device, and the current of the profile's light.
 *
 * @param settled the profile during a gesture: its current takes hundreds of frames to compute
 */
export function useLightPreview(
  profile: ComputedRef<Profile | undefined>,
  model: ComputedRef<DeviceModel | undefined>,
  stack: ComputedRef<readonly LightEntry[]>,
  { nowMs, state }: { nowMs: { readonly value: number }; state: (ms: number) => LightState | undefined },
  settled: { readonly value: Profile | undefined },
) {
  const prepared = computed(() => model.value && prepareLight(stack.value, model.value))
  const level = computed(() =>
    profile.value && model.value ? brightnessOf(profile.value, model.value) : ONE,
  )
  const driven = computed(() => {
    const at = state(nowMs.value)
    if (!prepared.value || !model.value || !at) return undefined
    return driveLights(composeLight(prepared.value, at, nowMs.value), level.value, model.value.electrical)
  })
  const lights = () => driven.value?.drives ?? NONE
  const figures = computed(() =>
    settled.value && model.value ? profileLight(settled.value, model.value) : undefined,
  )
  return { level, driven, lights, figures }
}
