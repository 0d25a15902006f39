import { computed, type ComputedRef, type Ref } from 'vue'
import { clamp } from '../../core/base/numbers'
import { PERIOD } from '../../core/effects/effect'
import { message } from '../../core/message/message'
import { parameterLabel } from '../../core/wording/effect-messages'
import type { StackedEffect } from '../../core/document/light'
import { followPointer } from '../shared/follow-pointer'
import type { LightView } from './light-view'

/**
 * Changes by pointer or key on the strip of one effect: its start phase sideways, its period at the end of the strip,
 * its opacity at the side.
 *
 * @param band the element of the strip, as wide as the shown time
 */
export function useStripPointer(
  props: { place: number; work: LightView },
  entry: ComputedRef<StackedEffect | undefined>,
  band: Readonly<Ref<HTMLElement | null>>,
) {
  const effect = computed(() => entry.value?.effect)
  const period = computed(() =>
    effect.value && 'periodMs' in effect.value ? effect.value.periodMs : undefined,
  )
  const shift = computed(() => (effect.value && 'shift' in effect.value ? effect.value.shift : undefined))

  function set(by: object, what: string): void {
    if (effect.value)
      props.work.change(props.place, { effect: { ...effect.value, ...by } }, parameterLabel(what), what)
  }

  /** The start phase wraps around: 0 follows 99%. */
  const setShift = (value: number) => set({ shift: ((Math.round(value) % 100) + 100) % 100 }, 'shift')
  function dragShift(event: PointerEvent): void {
    const [now, periodMs] = [shift.value, period.value]
    if (now === undefined || periodMs === undefined || !band.value) return
    followPointer(event, band.value, (at, from) => {
      if (at !== from) setShift(now - (100 * (at.x - from.x) * props.work.windowMs.value) / periodMs)
    })
  }

  function setPeriod(ms: number): void {
    const step = ms > 1000 ? 50 : 10
    set({ periodMs: clamp(Math.round(ms / step) * step, PERIOD.min, PERIOD.max) }, 'periodMs')
  }
  function dragPeriod(event: PointerEvent): void {
    if (!band.value) return
    followPointer(event, band.value, (at, from) => {
      if (at !== from) setPeriod(at.x * props.work.windowMs.value)
    })
  }

  function setOpacity(opacity: number): void {
    const bounded = clamp(Math.round(opacity), 1, 100)
    props.work.change(
      props.place,
      { opacity: bounded },
      message('effects.opacity', { percent: bounded }),
      'opacity',
    )
  }
  function dragOpacity(event: PointerEvent): void {
    if (event.currentTarget instanceof Element)
      followPointer(event, event.currentTarget, ({ y }) => setOpacity(100 * (1 - y)))
  }

  return { period, shift, setShift, dragShift, setPeriod, dragPeriod, setOpacity, dragOpacity }
}
