import { useDocumentVisibility, useRafFn } from '@vueuse/core'
import { computed, shallowRef, watch, type ComputedRef } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import type { LightState } from '../../core/effects/effect'
import { composeLight, driveLights, frameMs, prepareLight } from '../../core/light/compose'
import { movesByItself } from '../../core/light/motion'
import { lowerShown, withoutMacros } from '../../core/terms/light'
import { brightnessOf, restOf } from '../../core/terms/light-state'
import type { Profile } from '../../core/document/schema'
import { useLightsMove } from '../../look/lights-move'

const DARK = new Uint8Array()

/**
 * The light of a profile as its device will show it: the device's own computation, frame by frame, in the state it is
 * in when its slot comes on. Lights that rest show one moment of it.
 */
export function useFrames(
  profile: ComputedRef<Profile | undefined>,
  model: ComputedRef<DeviceModel | undefined>,
  state?: ComputedRef<LightState | undefined>,
) {
  const visibility = useDocumentVisibility()
  const playing = useLightsMove()
  const startMs = performance.now()
  const timeMs = shallowRef(RESTING_MS)
  const prepared = computed(() =>
    profile.value && model.value
      ? prepareLight(lowerShown(profile.value.light, withoutMacros(model.value)), model.value)
      : undefined,
  )
  /** Whether any of it moves: nothing runs where nothing does. */
  const moves = computed(() => prepared.value?.entries.some(({ entry }) => movesByItself(entry)) ?? false)
  const { pause, resume } = useRafFn(
    ({ timestamp }) => {
      timeMs.value = frameMs(Math.max(0, (timestamp - startMs) * 1000))
    },
    { immediate: false },
  )
  watch(
    [playing, visibility, moves],
    () => (playing.value && moves.value && visibility.value === 'visible' ? resume() : pause()),
    { immediate: true },
  )

  const drives = computed(() => {
    if (!prepared.value || !profile.value || !model.value) return DARK
    const light = composeLight(prepared.value, state?.value ?? restOf(profile.value), timeMs.value)
    return driveLights(light, brightnessOf(profile.value, model.value), model.value.electrical).drives
  })
  const lights = () => drives.value
  return { lights, playing }
}

/** The moment that shows while lights rest: late enough for what swells to be seen. */
const RESTING_MS = 1000
