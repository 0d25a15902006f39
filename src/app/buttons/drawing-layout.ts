import { computed, type Ref } from 'vue'
import { placeLabels } from '../../core/device/leaders'
import type { DeviceModel } from '../../core/device/model'
import type { Hand } from '../../core/document/schema'
import type { InputLabel } from './labels'

/** Labels are as wide as the drawing leaves room for, within these. All in px. */
const NARROW = 112
const MEDIUM = 140
const WIDE = 168
const LEAST_SHARE = 0.85
const LINE = 16.5
const CAPTION = 22
const LEAST_GAP = 4
const ABOVE = 22
export const MARGIN = 12

interface Drawing {
  model: DeviceModel
  hand: Hand
  labels: Record<string, InputLabel>
}

/** Where the device, its labels and the captions of its views stand on a pane of some size. */
export function useDrawingLayout(drawing: Drawing, width: Ref<number>, height: Ref<number>) {
  const sheet = computed(() => drawing.model.sheet)
  /** All labels are as tall as the tallest, so that columns stay even. */
  const labelHeight = computed(() => {
    const lines = Object.values(drawing.labels).map(({ layers, tap }) => layers.length + (tap ? 1 : 0))
    return Math.round((1 + Math.max(1, ...lines)) * LINE + 4)
  })
  const scaleByHeight = computed(() => {
    const room = height.value - 2 * MARGIN - labelHeight.value - ABOVE - CAPTION
    return room / sheet.value.heightMm
  })
  /** Px per mm at which device and labels both fit; the same in every direction. */
  const scale = computed(() => {
    const beside = (label: number) => (width.value - 2 * (label + MARGIN + 10)) / sheet.value.widthMm
    // A little of the drawing is given for longer labels, and no more.
    const byWidth = beside(MEDIUM) > scaleByHeight.value * LEAST_SHARE ? beside(MEDIUM) : beside(NARROW)
    return Math.max(1.4, Math.min(byWidth, scaleByHeight.value))
  })
  const labelWidth = computed(() => {
    const room = (width.value - sheet.value.widthMm * scale.value) / 2 - MARGIN - 10
    return Math.max(NARROW, Math.min(WIDE, room))
  })
  /** What height is left over goes above and below, most of it below. */
  const origin = computed(() => {
    const left = height.value * (1 - scale.value / scaleByHeight.value)
    return {
      x: (width.value - sheet.value.widthMm * scale.value) / 2,
      y: MARGIN + labelHeight.value + ABOVE + Math.max(0, Math.min(90, left / 4)),
    }
  })

  const boxes = computed(() => {
    const views = new Map(sheet.value.views.map((view) => [view.id, view]))
    const requests = drawing.model.inputs.map(({ id, leader: right, leftHandLeader }) => {
      const leader = drawing.hand === 'left' && leftHandLeader ? leftHandLeader : right
      const [atX, atY] = views.get(leader.view)?.at ?? [0, 0]
      const anchor = {
        x: origin.value.x - MARGIN + (atX + leader.at[0]) * scale.value,
        y: origin.value.y - MARGIN + (atY + leader.at[1]) * scale.value,
      }
      return { id, anchor, side: leader.side }
    })
    const placed = placeLabels(requests, {
      width: width.value - 2 * MARGIN,
      height: height.value - 2 * MARGIN,
      labelWidth: labelWidth.value,
      labelHeight: labelHeight.value,
      gap: LEAST_GAP,
    })
    return placed.map((box) => ({ ...box, input: drawing.model.inputs.find(({ id }) => id === box.id) }))
  })

  const captions = computed(() =>
    sheet.value.views.map(({ id, title, at, widthMm, heightMm }) => ({
      id,
      title,
      x: origin.value.x + (at[0] + widthMm / 2) * scale.value,
      y: origin.value.y + (at[1] + heightMm) * scale.value + 6,
    })),
  )

  /** Lines along which the large views are lined up, as on a technical drawing. */
  const guides = computed(() => {
    const [first] = sheet.value.views
    return {
      top: origin.value.y + 1.5 * scale.value,
      bottom: origin.value.y + (first.heightMm - 1.5) * scale.value,
      from: origin.value.x - 8,
      to: origin.value.x + sheet.value.widthMm * scale.value + 8,
    }
  })

  return { scale, origin, boxes, captions, guides, labelWidth, labelHeight }
}
