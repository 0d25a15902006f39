import { keysOf } from '../../core/base/tables'
import { useDocumentVisibility, useRafFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch, type ComputedRef } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import type { Profile } from '../../core/document/schema'
import { lengthMs } from '../../core/light/motion'
import type { LightEntry } from '../../core/onboard/light-stack'
import { useLightsMove } from '../../look/lights-move'
import { useStepInForce } from '../shared/step-in-force'
import { stateAt, type Mark } from '../../core/timeline/marks'

/** Lengths the time line can have, in seconds. */
export const WINDOWS_S = [2, 4, 8, 15, 30, 60] as const
const LEAST_MS = 4000

/** Whether two states of a profile differ in nothing but their light. */
const sameButLight = (one: Profile, other: Profile): boolean =>
  keysOf<keyof Profile>({ ...one, ...other }).every((key) => key === 'light' || one[key] === other[key])

/** The time light is composed over: how long it is, the moment that shows, and what happens when. */
export function useTimeLine(
  profile: ComputedRef<Profile | undefined>,
  model: ComputedRef<DeviceModel | undefined>,
  shown: () => readonly LightEntry[],
) {
  const visibility = useDocumentVisibility()
  const playing = useLightsMove()
  const marks = shallowRef<readonly Mark[]>([])
  const asked = ref<number>()

  /** As long as was asked for, or else as the longest time that an effect takes. */
  const windowMs = computed(() => {
    if (asked.value !== undefined) return asked.value
    const longest = Math.max(LEAST_MS, ...shown().map(({ effect }) => lengthMs(effect)))
    return 1000 * (WINDOWS_S.find((seconds) => seconds * 1000 >= longest) ?? 60)
  })

  /** The moment that shows, in ms from the beginning; while it plays it goes on from where it was. */
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

  const step = useStepInForce()
  /** An edit of light changes nothing of the state a device is in: strips that show it are not painted again. */
  const unlit = computed<Profile | undefined>((before) =>
    before && profile.value && sameButLight(before, profile.value) ? before : profile.value,
  )
  const state = (ms: number) =>
    unlit.value &&
    model.value &&
    stateAt(marks.value, ms, { profile: unlit.value, model: model.value, step: step.value })

  /** Another moment, and there it stays. */
  function hold(ms: number): void {
    playing.value = false
    nowMs.value = Math.max(0, Math.min(windowMs.value - 1, Math.floor(ms)))
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
