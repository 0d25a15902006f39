import { useEventListener } from '@vueuse/core'
import { ref, type Ref } from 'vue'
import { moveEvents } from '../../core/edits/macro-edits'
import type { MacroEvent } from '../../core/document/macro'
import type { MacroWork } from './work'
import { barNear, barsWithin, type Bar } from '../../core/timeline/lanes'
import type { TimeScale } from './time-scale'

/** Ends of bars are taken hold of so near to them, in px. */
const EDGE = 6
/** A press beside a bar that is too fine to be hit takes it all the same. */
const NEAR = 4

interface Drag {
  events: readonly MacroEvent[]
  indices: number[]
  startX: number
  alone: boolean
  name: string
}

/** A stretch of time and lanes that is being drawn to select what lies in it. */
export interface Frame {
  fromMs: number
  toMs: number
  fromLane: number
  toLane: number
}

/**
 * What a pointer does on the time line: it takes bars by their middle or their ends, pans by the ruler, and draws a
 * frame around bars anywhere else.
 *
 * @param laneAt which lane is at so many px from the top; below 0 in the ruler
 */
export function useTimeLineHand(
  work: MacroWork,
  area: Ref<HTMLElement | null>,
  { pxPerMs, fromMs, x, pan }: TimeScale,
  laneAt: (px: number) => number,
  inSight: () => readonly Bar[],
) {
  let drag: Drag | undefined
  let panning: number | undefined
  let drags = 0
  /** What was selected before a frame that adds to it. */
  let before: ReadonlySet<number> = new Set()
  let start: { ms: number; lane: number } | undefined
  const frame = ref<Frame>()

  const isChosen = ({ index, endIndex }: Bar): boolean =>
    work.selected.has(index) || (endIndex !== undefined && work.selected.has(endIndex))

  function placeOf(event: PointerEvent): { px: number; ms: number; lane: number } {
    const { left = 0, top = 0 } = area.value?.getBoundingClientRect() ?? {}
    const px = event.clientX - left
    const lane = laneAt(event.clientY - top + (area.value?.scrollTop ?? 0))
    return { px, lane, ms: fromMs.value + (px - x(fromMs.value)) / pxPerMs.value }
  }

  function press(event: PointerEvent, bar?: Bar): void {
    if (event.button !== 0) return
    event.preventDefault()
    area.value?.focus({ preventScroll: true })
    const { ms, lane } = placeOf(event)
    const taken = bar ?? barNear(inSight(), Math.floor(lane), ms, NEAR / pxPerMs.value)
    if (taken) return grab(event, taken)
    if (lane < 0) {
      panning = event.clientX
      return
    }
    before = event.shiftKey || event.ctrlKey || event.metaKey ? work.selected : new Set()
    start = { ms, lane }
    work.choose(before)
  }

  function grab(event: PointerEvent, bar: Bar): void {
    const how = work.clickOf(event)
    const selects = how.range || how.toggle
    const group = !selects && isChosen(bar) && work.selected.size > 1
    if (!group) work.select(bar.index, how)
    if (selects) return
    const { px } = placeOf(event)
    const wide = !group && bar.endIndex !== undefined && (bar.toMs - bar.fromMs) * pxPerMs.value > EDGE * 2.5
    const atEnd = wide && Math.abs(px - x(bar.toMs)) < EDGE
    const atStart = wide && Math.abs(px - x(bar.fromMs)) < EDGE
    const end = atEnd ? bar.endIndex : undefined
    drag = {
      events: work.events,
      indices: group ? [...work.selected] : [end ?? bar.index],
      startX: event.clientX,
      alone: atEnd || atStart,
      name: `drag ${++drags}`,
    }
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

  function drawFrame({ ms, lane }: { ms: number; lane: number }): void {
    if (!start) return
    frame.value = {
      fromMs: Math.min(start.ms, ms),
      toMs: Math.max(start.ms, ms),
      fromLane: Math.min(start.lane, lane),
      toLane: Math.max(start.lane, lane),
    }
    work.choose([...before, ...barsWithin(inSight(), frame.value).map(({ index }) => index)])
  }

  useEventListener('pointermove', (event) => {
    if (panning !== undefined) {
      pan((panning - event.clientX) / pxPerMs.value)
      panning = event.clientX
    } else if (drag) moveBars(drag, event.clientX)
    else if (start) drawFrame(placeOf(event))
  })
  useEventListener(['pointerup', 'pointercancel', 'blur'], () => {
    drag = start = panning = frame.value = undefined
  })

  return { frame, isChosen, press }
}
