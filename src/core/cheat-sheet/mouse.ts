import { placeLabels, type LabelBox } from '../device/leaders'
import type { DeviceModel } from '../device/model'
import type { Hand } from '../document/schema'
import type { SheetEntry } from './entries'
import { truncateToWidth, group, layerBadge, line, outline, PAGE, text } from './svg'

const LABEL_MM = 62
const MAX_LINE_MM = 3.9

/** A mouse in the middle of the page, with labels around it and leader lines. */
export function mouseDrawing(
  entries: readonly SheetEntry[],
  { sheet }: DeviceModel,
  hand: Hand,
  area: { top: number; bottom: number },
): string {
  const height = area.bottom - area.top
  const lines = Math.max(...entries.map((entry) => entry.lines.length)) + 1
  const crowd = Math.max(
    ...(['left', 'right'] as const).map(
      (side) => entries.filter((entry) => leaderOf(entry, hand).side === side).length,
    ),
  )
  const lineMm = Math.min(MAX_LINE_MM, (height - 14) / (crowd * (lines + 0.4)))
  const labelHeight = lines * lineMm
  const frame = { width: PAGE.width - 2 * PAGE.margin, height }
  const drawingTop = labelHeight + 6
  const scale = Math.min(
    (frame.width - 2 * (LABEL_MM + 10)) / sheet.widthMm,
    (height - drawingTop - 4) / sheet.heightMm,
  )
  const left = (frame.width - sheet.widthMm * scale) / 2
  const views = new Map(sheet.views.map((view) => [view.id, view]))
  const boxes = placeLabels(
    entries.map((entry) => {
      const leader = leaderOf(entry, hand)
      const [atX, atY] = views.get(leader.view)?.at ?? [0, 0]
      const anchor = {
        x: left + (atX + leader.at[0]) * scale,
        y: drawingTop + (atY + leader.at[1]) * scale,
      }
      return { id: entry.input.id, anchor, side: leader.side }
    }),
    { ...frame, labelWidth: LABEL_MM, labelHeight, gap: lineMm * 0.4 },
  )
  const device = sheet.views
    .map((view) => {
      const shapes = entries.flatMap(({ input }) => input.shapes.filter((placed) => placed.view === view.id))
      const body = outline(view.body, 0.35 / scale, '#fff')
      const details = view.lines.map((each) => outline(each, 0.15 / scale)).join('')
      const inputs = shapes.map(({ shape }) => outline(shape, 0.25 / scale, '#fff')).join('')
      return group(view.at[0], view.at[1], 1, body + details + inputs)
    })
    .join('')
  const labels = boxes.map((box) => label(box, entries, lineMm)).join('')
  return group(PAGE.margin, area.top, 1, group(left, drawingTop, scale, device) + labels)
}

const leaderOf = ({ input }: SheetEntry, hand: Hand) =>
  hand === 'left' && input.leftHandLeader ? input.leftHandLeader : input.leader

/** The text is aligned to the side of its label where the line starts. */
const INSET_MM = 2

function label(box: LabelBox, entries: readonly SheetEntry[], lineMm: number): string {
  const entry = entries.find(({ input }) => input.id === box.id)
  if (!entry) return ''
  const size = lineMm * 0.8
  const atEnd = box.side === 'left'
  const x = atEnd ? box.x + LABEL_MM - INSET_MM : box.x + INSET_MM
  const anchor = atEnd ? 'end' : 'start'
  const head = text(x, box.y + size, `${entry.input.number}  ${entry.name}`, {
    size: size * 0.85,
    anchor,
  })
  const lines = entry.lines.map(({ layer, text: words, does }, index) => {
    const y = box.y + size + (index + 1) * lineMm
    const indent = layer === 0 ? 0 : size * 1.35
    const width = LABEL_MM - indent - 2 * INSET_MM
    const whole = truncateToWidth(does ? `${words} (${does})` : words, width, size, layer === 0)
    const mark = layer === 0 ? '' : layerBadge(atEnd ? x - size * 0.95 : x, y, layer, size)
    return mark + text(atEnd ? x - indent : x + indent, y, whole, { size, bold: layer === 0, anchor })
  })
  const below = box.y + (entry.lines.length + 1) * lineMm + 1
  const [fromX, fromY] = box.side === 'top' ? [x + 4, below] : [box.from.x, box.from.y]
  const pointer =
    line(fromX, fromY, box.anchor.x, box.anchor.y) +
    `<circle cx="${box.anchor.x.toFixed(2)}" cy="${box.anchor.y.toFixed(2)}" r="0.6"/>`
  return pointer + head + lines.join('')
}
