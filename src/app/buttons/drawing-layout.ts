import { clamp } from '../../core/base/numbers'
import { computed, type Ref } from 'vue'
import { itemAt } from '../../core/base/items'
import { placeLabels } from '../../core/device/leaders'
import type { DeviceModel } from '../../core/device/model'
import type { Hand } from '../../core/document/schema'
import type { InputLabel } from '../../core/text/input-labels'

/** Labels are as wide as the drawing allows, within these limits. All in px. */
const NARROW = 112
const WIDE = 168
/** Width of a letter, and of the number, gap and padding next to the text. */
const LETTER = 7.4
const BESIDE_TEXT = 38
/** Minimum relative size of the device if labels need more room. */
const MIN_SHARE = 0.78
const LINE = 16.5
const CAPTION = 22
const MIN_GAP = 4
const ABOVE = 22
export const MARGIN = 12

interface Drawing {
  model: DeviceModel
  hand: Hand
  labels: Record<string, InputLabel>
  /** Shows numbers only, because labels do not fit; the sheet below lists the actions. */
  bare?: boolean
}

/** The place of an input's label in px, with its side and the end of its leader line. */
export type PlacedLabel = ReturnType<typeof useDrawingLayout>['boxes']['value'][number]

/** Positions of the device, its labels and the captions of its views on a pane of a given size. */
export function useDrawingLayout(drawing: Drawing, width: Ref<number>, height: Ref<number>) {
  const sheet = computed(() => drawing.model.sheet)
  /** All labels are as tall as the tallest, for even columns. */
  const labelHeight = computed(() => {
    if (drawing.bare) return 0
    const lines = Object.values(drawing.labels).map(({ layers, tap }) => layers.length + (tap ? 1 : 0))
    return Math.round((1 + Math.max(1, ...lines)) * LINE + 4)
  })
  const scaleByHeight = computed(() => {
    const room = height.value - 2 * MARGIN - labelHeight.value - ABOVE - CAPTION
    return room / sheet.value.heightMm
  })
  /** As wide as the longest label needs. */
  const wanted = computed(() => {
    const longest = Math.max(0, ...Object.values(drawing.labels).map(({ base }) => base.text.length))
    return clamp(Math.ceil(longest * LETTER + BESIDE_TEXT), NARROW, WIDE)
  })
  /** Px per mm at which device and labels both fit; the same in both directions. */
  const scale = computed(() => {
    const beside = (label: number) => (width.value - 2 * (label + MARGIN + 10)) / sheet.value.widthMm
    if (drawing.bare) return Math.max(0.8, Math.min(beside(-10), scaleByHeight.value))
    const max = Math.min(beside(NARROW), scaleByHeight.value)
    return clamp(Math.max(beside(wanted.value), max * MIN_SHARE), 1.4, max)
  })
  const labelWidth = computed(() => {
    const room = (width.value - sheet.value.widthMm * scale.value) / 2 - MARGIN - 10
    return clamp(room, NARROW, WIDE)
  })
  /** Remaining height is added above and below, mostly below. */
  const origin = computed(() => {
    const left = height.value * (1 - scale.value / scaleByHeight.value)
    return {
      x: (width.value - sheet.value.widthMm * scale.value) / 2,
      y: MARGIN + labelHeight.value + ABOVE + clamp(left / 4, 0, 90),
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
      gap: MIN_GAP,
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

  /** Lines to which the large views are aligned, as on a technical drawing. */
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
