import { useDocumentVisibility, useRafFn, usePreferredReducedMotion } from '@vueuse/core'
import { computed, ref, shallowRef, watch, type ComputedRef } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import { DARK, meanColour, zoneColour, type Rgb } from '../../core/light/effects'
import { lowerEffect } from '../../core/profile/onboard-terms'
import type { Profile } from '../../core/profile/schema'

/**
 * The light of a profile as its device will show it: the device's own computation, frame by frame. Still (its
 * mean) until played where a person asked for less motion.
 */
export function useFrames(
  profile: ComputedRef<Profile | undefined>,
  model: ComputedRef<DeviceModel | undefined>,
) {
  const reduced = usePreferredReducedMotion()
  const visibility = useDocumentVisibility()
  const playing = ref(reduced.value !== 'reduce')
  const startMs = performance.now()
  const timeUs = shallowRef(0)
  useRafFn(({ timestamp }) => {
    if (playing.value && visibility.value === 'visible')
      timeUs.value = Math.max(0, (timestamp - startMs) * 1000)
  })
  watch(reduced, (now) => (playing.value = now !== 'reduce'))

  const stacks = computed(() =>
    (model.value?.zones ?? []).map(({ id }) => {
      const effect = profile.value?.light[id]
      return effect ? [lowerEffect(effect)] : []
    }),
  )
  const still = computed(() => stacks.value.map(meanColour))
  const colours = computed<Rgb[]>(() =>
    playing.value || timeUs.value > 0
      ? stacks.value.map((stack) => zoneColour(stack, timeUs.value) ?? DARK)
      : still.value,
  )
  return { colours, playing }
}
