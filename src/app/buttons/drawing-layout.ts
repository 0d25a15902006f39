import { computed, type Ref } from 'vue'
import { itemAt } from '../../core/base/items'
import { placeLabels } from '../../core/device/leaders'
import type { DeviceModel } from '../../core/device/model'
import type { Hand } from '../../core/document/schema'
import type { InputLabel } from '../../core/text/input-labels'

/** Labels are as wide as the drawing leaves room for, within these. All in px. */
const NARROW = 112
const WIDE = 168
/** A letter of a label, and the number, the gap and the padding beside them. */
const LETTER = 7.4
const BESIDE_TEXT = 38
/** What the device keeps of its size where labels need more room. */
const LEAST_SHARE = 0.78
const LINE = 16.5
const CAPTION = 22
const LEAST_GAP = 4
const ABOVE = 22
export const MARGIN = 12

interface Drawing {
  model: DeviceModel
  hand: Hand
  labels: Record<string, InputLabel>
  /** Shows numbers only, because labels do not fit; the sheet below lists the actions. */
  bare?: boolean
}

/** Where the device, its labels and the captions of its views stand on a pane of some size. */
export function useDrawingLayout(drawing: Drawing, width: Ref<number>, height: Ref<number>) {
  const sheet = computed(() => drawing.model.sheet)
  /** All labels are as tall as the tallest, so that columns stay even. */
  const labelHeight = computed(() => {
    if (drawing.bare) return 0
    const lines = Object.values(drawing.labels).map(({ layers, tap }) => layers.length + (tap ? 1 : 0))
    return Math.round((1 + Math.max(1, ...lines)) * LINE + 4)
  })
  const scaleByHeight = computed(() => {
    const room = height.value - 2 * MARGIN - labelHeight.value - ABOVE - CAPTION
    return room / sheet.value.heightMm
  })
  /** As wide as the longest label wants to be. */
  const wanted = computed(() => {
    const longest = Math.max(0, ...Object.values(drawing.labels).map(({ base }) => base.text.length))
    return Math.max(NARROW, Math.min(WIDE, Math.ceil(longest * LETTER + BESIDE_TEXT)))
  })
  /** Px per mm at which device and labels both fit; the same in every direction. */
  const scale = computed(() => {
    const beside = (label: number) => (width.value - 2 * (label + MARGIN + 10)) / sheet.value.widthMm
    if (drawing.bare) return Math.max(0.8, Math.min(beside(-10), scaleByHeight.value))
    const most = Math.min(beside(NARROW), scaleByHeight.value)
    return Math.max(1.4, Math.min(most, Math.max(beside(wanted.value), most * LEAST_SHARE)))
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
    const first = itemAt(sheet.value.views, 0)
    return {
      top: origin.value.y + 1.5 * scale.value,
      bottom: origin.value.y + (first.heightMm - 1.5) * scale.value,
      from: origin.value.x - 8,
      to: origin.value.x + sheet.value.widthMm * scale.value + 8,
    }
  })

  return { scale, origin, boxes, captions, guides, labelWidth, labelHeight }
}
