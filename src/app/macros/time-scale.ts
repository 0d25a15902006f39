import { computed, ref, watch, type Ref } from 'vue'

/** Behind the last event a little room stays. */
const SLACK = 1.04
const MOST_PX_PER_MS = 20

/**
 * Which part of a macro is in sight on its time line, and how large.
 *
 * @param width of the whole line in px
 * @param left where time begins, in px
 * @param lastsMs the length of the macro
 * @param what is shown: another macro is shown whole at first
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

  /** Makes everything so many times as large; what is at a place, in px, stays there. */
  function zoom(factor: number, atPx = left + room.value / 2): void {
    const atMs = fromMs.value + (atPx - left) / pxPerMs.value
    const least = room.value / (whole.value * SLACK)
    pxPerMs.value = Math.min(Math.max(pxPerMs.value * factor, least), MOST_PX_PER_MS)
    pan(atMs - (atPx - left) / pxPerMs.value - fromMs.value)
  }

  function pan(byMs: number): void {
    const most = Math.max(0, whole.value * SLACK - span.value)
    fromMs.value = Math.min(Math.max(0, fromMs.value + byMs), most)
  }

  /** Brings a moment into sight, in the middle if it was out of it. */
  function show(atMs: number): void {
    if (atMs < fromMs.value || atMs > fromMs.value + span.value) pan(atMs - span.value / 2 - fromMs.value)
  }

  return { pxPerMs, fromMs, room, span, x, fit, zoom, pan, show }
}

export type TimeScale = ReturnType<typeof useTimeScale>
