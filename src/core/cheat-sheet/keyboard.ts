import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import { boxOf } from '../device/shapes'
import { capLegend, keyLegend, type LayoutId } from '../computer/layouts'
import { message, type TextOf } from '../message/message'
import type { SheetEntry } from './entries'
import { truncateToWidth, group, layerBadge, outline, PAGE, text } from './svg'

const LEGEND_MM = 2.5
const LINE_MM = 2.9
const LIST_SIZE_MM = 2.8
const LIST_LINE_MM = 3.9
const COLUMNS = 3

/** A keyboard across the page with the action of each key on its cap, and the full list below. */
export function keyboardDrawing(
  entries: readonly SheetEntry[],
  { sheet }: DeviceModel,
  layout: LayoutId,
  area: { top: number; bottom: number },
  textOf: TextOf,
): string {
  const width = PAGE.width - 2 * PAGE.margin
  const scale = width / sheet.widthMm
  const view = itemAt(sheet.views, 0)
  const shapes = entries.flatMap(({ input }) =>
    input.shapes.map(({ shape }) => outline(shape, 0.2 / scale, '#fff')),
  )
  const drawing = group(
    PAGE.margin,
    area.top,
    scale,
    outline(view.body, 0.35 / scale, '#fff') + shapes.join(''),
  )
  const caps = entries.map((entry) => cap(entry, scale, layout, textOf)).join('')
  const listTop = area.top + sheet.heightMm * scale + 6
  const changed = entries.filter((entry) => entry.changed)
  return (
    drawing +
    group(PAGE.margin, area.top, 1, caps) +
    list(changed, { layout, top: listTop, bottom: area.bottom }, textOf)
  )
}

function cap(
  { input, name, lines, changed }: SheetEntry,
  scale: number,
  layout: LayoutId,
  textOf: TextOf,
): string {
  if (input.kind === 'turn' || input.role?.startsWith('knob-')) return ''
  const box = boxOf(itemAt(input.shapes, 0).shape)
  const [x, y, width] = [box.x * scale + 1.1, box.y * scale + LEGEND_MM + 0.6, box.width * scale - 1.8]
  const legend = textOf(input.key?.code ? capLegend(input.key.code, layout) : (input.key?.legend ?? name))
  const shown = lines.filter(({ layer }) => layer > 0 || changed).slice(0, 3)
  const words = shown.filter(({ layer, text: words }) => layer > 0 || words !== name)
  return [
    text(x, y, truncateToWidth(legend, width, LEGEND_MM, true), { size: LEGEND_MM, bold: true }),
    ...words.map(({ layer, text: content }, index) => {
      const [size, lineY] = [LEGEND_MM * 0.92, y + (index + 1) * LINE_MM + 0.4]
      const indent = layer === 0 ? 0 : size * 1.2
      const mark = layer === 0 ? '' : layerBadge(x, lineY, layer, size)
      return mark + text(x + indent, lineY, truncateToWidth(content, width - indent, size), { size })
    }),
  ].join('')
}

function list(
  entries: readonly SheetEntry[],
  { layout, top, bottom }: { layout: LayoutId; top: number; bottom: number },
  textOf: TextOf,
): string {
  const lines = entries.flatMap(({ input, name, lines: own }) =>
    own.map((each) => ({ ...each, key: textOf(input.key?.code ? keyLegend(input.key.code, layout) : name) })),
  )
  const perColumn = Math.max(1, Math.floor((bottom - top) / LIST_LINE_MM))
  const room = perColumn * COLUMNS
  const columnMm = (PAGE.width - 2 * PAGE.margin) / COLUMNS
  const shown = lines.length > room ? lines.slice(0, room - 1) : lines
  const rows = shown.map(({ key, layer, text: words, does }, index) => {
    const x = PAGE.margin + Math.floor(index / perColumn) * columnMm
    const y = top + (index % perColumn) * LIST_LINE_MM
    const mark = layer === 0 ? '' : layerBadge(x + 20, y, layer, LIST_SIZE_MM)
    const whole = truncateToWidth(does ? `${words} (${does})` : words, columnMm - 27, LIST_SIZE_MM)
    return (
      text(x, y, truncateToWidth(key, 19, LIST_SIZE_MM, true), { size: LIST_SIZE_MM, bold: true }) +
      mark +
      text(x + 24, y, whole, { size: LIST_SIZE_MM })
    )
  })
  const rest = lines.length - shown.length
  const more =
    rest > 0
      ? text(
          PAGE.margin + (COLUMNS - 1) * columnMm,
          top + (perColumn - 1) * LIST_LINE_MM,
          textOf(message('sheet.more', { count: rest })),
          {
            size: LIST_SIZE_MM,
          },
        )
      : ''
  return rows.join('') + more
}
