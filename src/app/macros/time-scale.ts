import { clamp } from '../../core/base/numbers'
import { computed, ref, watch, type Ref } from 'vue'

/** Room after the last event. */
const SLACK = 1.04
const MAX_PX_PER_MS = 20

/**
 * The visible part of a macro on its timeline, and its scale.
 *
 * @param width of the whole line in px
 * @param left start of time, in px
 * @param lastsMs length of the macro
 * @param what the shown macro: a new one is shown completely
 */
export function useTimeScale(width: Ref<number>, left: number, lastsMs: () => number, what: () => unknown) {
  const pxPerMs = ref(1)
  const fromMs = ref(0)
  const room = computed(() => Math.max(100, width.value - left - 12))
  const whole = computed(() => Math.max(100, lastsMs()))
  const span = computed(() => room.value / pxPerMs.value)
  const x = (ms: number): number => left + (ms - fromMs.value) * pxPerMs.value

  function fit(): void {
    pxPerMs.value = room.value / (whole.value * SLACK)
    fromMs.value = 0
  }
  watch([what, width], fit)
  watch(whole, (now, before) => {
    const fitted = Math.abs(room.value / before - pxPerMs.value * SLACK) < 1e-6
    if (fitted || now * pxPerMs.value < room.value / 4) fit()
  })

  /** Scales the timeline by a factor around a place, in px. */
  function zoom(factor: number, atPx = left + room.value / 2): void {
    const atMs = fromMs.value + (atPx - left) / pxPerMs.value
    const min = room.value / (whole.value * SLACK)
    pxPerMs.value = clamp(pxPerMs.value * factor, min, MAX_PX_PER_MS)
    pan(atMs - (atPx - left) / pxPerMs.value - fromMs.value)
  }

  function pan(byMs: number): void {
    const max = Math.max(0, whole.value * SLACK - span.value)
    fromMs.value = clamp(fromMs.value + byMs, 0, max)
  }

  /** Scrolls to a time, centred if it was not visible. */
  function show(atMs: number): void {
    if (atMs < fromMs.value || atMs > fromMs.value + span.value) pan(atMs - span.value / 2 - fromMs.value)
  }

  return { pxPerMs, fromMs, room, span, x, fit, zoom, pan, show }
}

export type TimeScale = ReturnType<typeof useTimeScale>
