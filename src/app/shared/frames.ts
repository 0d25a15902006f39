import { useDocumentVisibility, useIntervalFn } from '@vueuse/core'
import { computed, shallowRef, watch, type ComputedRef } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import type { LightState } from '../../core/effects/effect'
import { composeLight, driveLights, frameMs, prepareLight } from '../../core/light/compose'
import { isAnimated } from '../../core/light/animation'
import { lowerShownLight, withoutMacros } from '../../core/terms/light'
import { brightnessOf, stateAtRest } from '../../core/terms/light-state'
import type { Profile } from '../../core/document/schema'
import { useLightsMove } from '../../look/lights-move'

const DARK = new Uint8Array()

/**
 * The light of a profile as on its device, computed frame by frame with the same code, just after its slot became
 * active. Still lights show one moment.
 */
export function useFrames(
  profile: ComputedRef<Profile | undefined>,
  model: ComputedRef<DeviceModel | undefined>,
  state?: ComputedRef<LightState | undefined>,
  /** Stops the lights while something next to them is edited. */
  rests: () => boolean = () => false,
) {
  const visibility = useDocumentVisibility()
  const playing = useLightsMove()
  const startMs = performance.now()
  const timeMs = shallowRef(RESTING_MS)
  const prepared = computed(() =>
    profile.value && model.value
      ? prepareLight(lowerShownLight(profile.value.light, withoutMacros(model.value)), model.value)
      : undefined,
  )
  /** Whether any of it moves: otherwise nothing runs. */
  const moves = computed(() => prepared.value?.entries.some(({ entry }) => isAnimated(entry)) ?? false)
  const { pause, resume } = useIntervalFn(
    () => {
      timeMs.value = frameMs((performance.now() - startMs) * 1000)
    },
    FRAME_MS,
    { immediate: false },
  )
  watch(
    [playing, visibility, moves, rests],
    () => (playing.value && moves.value && !rests() && visibility.value === 'visible' ? resume() : pause()),
    { immediate: true },
  )

  const drives = computed(() => {
    if (!prepared.value || !profile.value || !model.value) return DARK
    const light = composeLight(prepared.value, state?.value ?? stateAtRest(profile.value), timeMs.value)
    return driveLights(light, brightnessOf(profile.value, model.value), model.value.electrical).drives
  })
  const lights = () => drives.value
  return { lights, playing }
}

/**
 * Time between two frames. Next to other work, 20 frames per second are enough, and cost a third of 60. Views about
 * light follow every frame of the screen.
 */
const FRAME_MS = 50

/** The moment shown by still lights: late enough for glowing effects to be visible. */
const RESTING_MS = 1000
