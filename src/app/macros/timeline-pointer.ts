import { ref, type Ref } from 'vue'
import { moveEvents } from '../../core/edits/macro-edits'
import type { MacroEvent } from '../../core/document/macro'
import { followPointer } from '../shared/follow-pointer'
import type { MacroView } from './macro-view'
import { nearestBar, barsWithin, type Bar } from '../../core/timeline/lanes'
import type { TimeScale } from './time-scale'

/** Distance within which the end of a bar can be grabbed, in px. */
const EDGE = 6
/** Pressing next to a bar that is too thin to hit still selects it. */
const NEAR = 4

interface Drag {
  events: readonly MacroEvent[]
  indices: number[]
  startX: number
  alone: boolean
  name: string
}

/** A frame of time and lanes that is being drawn to select events. */
export interface SelectionFrame {
  fromMs: number
  toMs: number
  fromLane: number
  toLane: number
}

/**
 * Pointer on the timeline: it moves bars by their middle or their ends, pans on the ruler, and draws a frame anywhere
 * else.
 *
 * @param laneAt the lane at a distance from the top in px; below 0 in the ruler
 */
export function useTimelinePointer(
  work: MacroView,
  area: Ref<HTMLElement | null>,
  { pxPerMs, fromMs, x, pan }: TimeScale,
  laneAt: (px: number) => number,
  inSight: () => readonly Bar[],
) {
  let drags = 0
  const frame = ref<SelectionFrame>()

  const isSelected = ({ index, endIndex }: Bar): boolean =>
    work.selected.has(index) || (endIndex !== undefined && work.selected.has(endIndex))

  function placeOf(event: PointerEvent): { px: number; ms: number; lane: number } {
    const { left = 0, top = 0 } = area.value?.getBoundingClientRect() ?? {}
    const px = event.clientX - left
    const lane = laneAt(event.clientY - top + (area.value?.scrollTop ?? 0))
    return { px, lane, ms: fromMs.value + (px - x(fromMs.value)) / pxPerMs.value }
  }

  function press(event: PointerEvent, bar?: Bar): void {
    if (event.button !== 0 || !area.value) return
    event.preventDefault()
    area.value.focus({ preventScroll: true })
    const { ms, lane } = placeOf(event)
    const taken = bar ?? nearestBar(inSight(), Math.floor(lane), ms, NEAR / pxPerMs.value)
    const moved = taken ? grab(event, taken) : lane < 0 ? panning(event) : framing(event)
    if (moved)
      followPointer(
        event,
        area.value,
        (at, from, now) => at !== from && moved(now),
        () => (frame.value = undefined),
      )
  }

  /** Pans with the pointer. */
  function panning({ clientX: startX }: PointerEvent): (event: PointerEvent) => void {
    let before = startX
    return ({ clientX }) => {
      pan((before - clientX) / pxPerMs.value)
      before = clientX
    }
  }

  /** Draws a frame that selects the bars in it; a modifier key extends the selection. */
  function framing(event: PointerEvent): (event: PointerEvent) => void {
    const before = event.shiftKey || event.ctrlKey || event.metaKey ? work.selected : new Set<number>()
    const start = placeOf(event)
    work.choose(before)
    return (now) => {
      const { ms, lane } = placeOf(now)
      frame.value = {
        fromMs: Math.min(start.ms, ms),
        toMs: Math.max(start.ms, ms),
        fromLane: Math.min(start.lane, lane),
        toLane: Math.max(start.lane, lane),
      }
      work.choose([...before, ...barsWithin(inSight(), frame.value).map(({ index }) => index)])
    }
  }

  /**
   * Selects a bar, and drags it by its middle or an end. @returns the handler of movements, unless it was only selected
   */
  function grab(event: PointerEvent, bar: Bar): ((event: PointerEvent) => void) | undefined {
    const how = work.clickOf(event)
    const selects = how.range || how.toggle
    const group = !selects && isSelected(bar) && work.selected.size > 1
    if (!group) work.select(bar.index, how)
    if (selects) return undefined
    const { px } = placeOf(event)
    const wide = !group && bar.endIndex !== undefined && (bar.toMs - bar.fromMs) * pxPerMs.value > EDGE * 2.5
    const atEnd = wide && Math.abs(px - x(bar.toMs)) < EDGE
    const atStart = wide && Math.abs(px - x(bar.fromMs)) < EDGE
    const end = atEnd ? bar.endIndex : undefined
    const drag: Drag = {
      events: work.events,
      indices: group ? [...work.selected] : [end ?? bar.index],
      startX: event.clientX,
      alone: atEnd || atStart,
      name: `drag ${++drags}`,
    }
    return ({ clientX }) => moveBars(drag, clientX)
  }

  function moveBars({ events, indices, alone, name, startX }: Drag, clientX: number): void {
    const by = Math.round((clientX - startX) / pxPerMs.value / work.snapMs) * work.snapMs
    let now = indices
    const refusal = work.editor.editEvents(
      [alone ? 'stretch-event' : 'move-events'],
      () => {
        const moved = moveEvents(events, indices, by, alone, work.lasting)
        now = moved.now
        return moved.events
      },
      name,
    )
    work.say(refusal)
    work.choose(indices.length > 1 ? now : now.slice(0, 1))
  }

  return { frame, isSelected, press }
}
