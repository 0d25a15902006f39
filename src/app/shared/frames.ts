import { useDocumentVisibility, useRafFn } from '@vueuse/core'
import { computed, shallowRef, type ComputedRef } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import { DARK, fromHex, type Rgb } from '../../core/base/colour'
import { meanColour, zoneColour } from '../../core/light/effects'
import { lowerEffect } from '../../core/document/onboard-terms'
import type { Profile } from '../../core/document/schema'
import { useLightsMove } from '../../look/lights-move'

/**
 * The light of a profile as its device will show it: the device's own computation, frame by frame. Still (its
 * mean) until played where a person asked for less motion.
 */
export function useFrames(
  profile: ComputedRef<Profile | undefined>,
  model: ComputedRef<DeviceModel | undefined>,
) {
  const visibility = useDocumentVisibility()
  const playing = useLightsMove()
  const startMs = performance.now()
  const timeUs = shallowRef(0)
  useRafFn(({ timestamp }) => {
    if (playing.value && visibility.value === 'visible')
      timeUs.value = Math.max(0, (timestamp - startMs) * 1000)
  })

  const stacks = computed(() =>
    (model.value?.zones ?? []).map(({ id }) => {
      const effect = profile.value?.light[id]
      return effect ? [lowerEffect(effect)] : []
    }),
  )
  /** The profile's default step is the one in use when its slot comes on. */
  const step = computed(() => {
    const colour = profile.value?.steps[profile.value.defaultStep]?.colour
    return colour === undefined ? DARK : fromHex(colour)
  })
  const still = computed(() => stacks.value.map((stack) => meanColour(stack, step.value)))
  const colours = computed<Rgb[]>(() =>
    playing.value || timeUs.value > 0
      ? stacks.value.map((stack) => zoneColour(stack, timeUs.value, step.value))
      : still.value,
  )
  return { colours, playing }
}
