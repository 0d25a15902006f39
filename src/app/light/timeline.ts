import { clamp } from '../../core/base/numbers'
import { keysOf } from '../../core/base/tables'
import { useDocumentVisibility, useRafFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch, type ComputedRef } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import type { Profile } from '../../core/document/schema'
import { effectDurationMs } from '../../core/light/animation'
import type { LightEntry } from '../../core/onboard/light-stack'
import { useLightsMove } from '../../look/lights-move'
import { useActiveStep } from '../shared/active-step'
import { stateAt, type Mark } from '../../core/timeline/marks'

/** Available lengths of the timeline, in seconds. */
export const WINDOWS_S = [2, 4, 8, 15, 30, 60] as const
const MIN_MS = 4000

/** Whether two states of a profile differ only in their light. */
const sameButLight = (one: Profile, other: Profile): boolean =>
  keysOf<keyof Profile>({ ...one, ...other }).every((key) => key === 'light' || one[key] === other[key])

/** The timeline of light: its length, the previewed time, and its triggers. */
export function useTimeline(
  profile: ComputedRef<Profile | undefined>,
  model: ComputedRef<DeviceModel | undefined>,
  shown: () => readonly LightEntry[],
) {
  const visibility = useDocumentVisibility()
  const playing = useLightsMove()
  const marks = shallowRef<readonly Mark[]>([])
  const asked = ref<number>()

  /** The selected length, or the longest period of an effect. */
  const windowMs = computed(() => {
    if (asked.value !== undefined) return asked.value
    const longest = Math.max(MIN_MS, ...shown().map(({ effect }) => effectDurationMs(effect)))
    return 1000 * (WINDOWS_S.find((seconds) => seconds * 1000 >= longest) ?? 60)
  })

  /** The previewed time, in ms from the start; playback continues from there. */
  const nowMs = ref(1000)
  const runs = computed(() => playing.value && visibility.value === 'visible')
  let begunMs = 0
  const { pause, resume } = useRafFn(
    ({ timestamp }) => (nowMs.value = Math.floor(Math.max(0, timestamp - begunMs) % windowMs.value)),
    { immediate: false },
  )
  watch(
    [runs, windowMs],
    ([now]) => {
      begunMs = performance.now() - nowMs.value
      if (now) resume()
      else pause()
    },
    { immediate: true },
  )

  const step = useActiveStep()
  /** An edit of light does not change the state of a device, so strips that show the state are not painted again. */
  const unlit = computed<Profile | undefined>((before) =>
    before && profile.value && sameButLight(before, profile.value) ? before : profile.value,
  )
  const state = (ms: number) =>
    unlit.value &&
    model.value &&
    stateAt(marks.value, ms, { profile: unlit.value, model: model.value, step: step.value })

  /** Moves to another time and stays there. */
  function hold(ms: number): void {
    playing.value = false
    nowMs.value = clamp(Math.floor(ms), 0, windowMs.value - 1)
  }

  return {
    unlit,
    windowMs,
    nowMs,
    runs,
    playing,
    marks,
    state,
    hold,
    setWindow: (ms: number) => (asked.value = ms),
    setMark: (mark: Mark) => (marks.value = [...marks.value, mark]),
    unsetMark: (index: number) => (marks.value = marks.value.toSpliced(index, 1)),
    clearMarks: () => (marks.value = []),
  }
}
