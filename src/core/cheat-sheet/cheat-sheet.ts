import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import { inputById } from '../device/lookups'
import { keysOfLayer } from '../edits/layer-edits'
import { computerText } from '../compile/pending'
import { RULE_WORDS } from '../compile/take-over'
import type { Profile } from '../document/schema'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { sheetEntries } from './entries'
import { keyboardDrawing } from './keyboard'
import { mouseDrawing } from './mouse'
import { fitted, group, layerMark, line, page, PAGE, text } from './svg'

/** A QR code: its modules along an edge, and the dark ones as a path of squares of one unit. */
export interface SheetCode {
  size: number
  path: string
}

const CODE_MM = 27
/** With more modules along its edge a code on paper is finer than cameras read: here, 0.28 mm. */
export const MOST_MODULES = 97
/** Modules of white around a code, as readers need them (ISO/IEC 18004). */
const QUIET = 4

/**
 * One page with a device and what each of its inputs does on every layer, black on white.
 *
 * @param code of the profile's link; one that is too fine for paper is left out
 * @returns an SVG document of A4 size, landscape, that needs nothing from outside
 */
export function cheatSheet(
  profile: Profile,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
  code?: SheetCode,
): string {
  const shown = code && code.size <= MOST_MODULES ? code : undefined
  const right = PAGE.width - PAGE.margin - (shown ? CODE_MM + 3 : 0)
  const entries = sheetEntries(profile, model, macros)
  const area = { top: shown ? PAGE.margin + CODE_MM : 30, bottom: PAGE.height - PAGE.margin - 4 }
  const { layout } = profile.computer
  const drawing =
    model.kind === 'keyboard'
      ? keyboardDrawing(entries, model, layout, area)
      : mouseDrawing(entries, model, profile.hand, area)
  return page(
    `${profile.name}, ${model.name}`,
    header(profile, model, right) + codeDrawing(shown) + drawing + footer(profile),
  )
}

function codeDrawing(code: SheetCode | undefined): string {
  if (!code) return ''
  const scale = CODE_MM / (code.size + 2 * QUIET)
  const [x, y] = [PAGE.width - PAGE.margin - CODE_MM + QUIET * scale, PAGE.margin - 4 + QUIET * scale]
  return group(x, y, scale, `<path d="${code.path}" shape-rendering="crispEdges"/>`)
}

/** @param right where it ends, in mm from the left edge of the page */
function header(profile: Profile, model: DeviceModel, right: number): string {
  const room = right - PAGE.margin - 77
  const name = text(PAGE.margin, 17, fitted(profile.name, room, 7, true), { size: 7, bold: true })
  const device = text(right, 17, `${model.maker} ${model.name}`, { size: 4, anchor: 'end' })
  const upper = profile.layers.slice(1)
  const width = (right - PAGE.margin) / Math.max(2, upper.length)
  const layers = upper.map((layer, index) => {
    const x = PAGE.margin + index * width
    const way = fitted(`${layer.name} ${reach(profile, model, index + 1)}`, width - 8, 3)
    return layerMark(x, 25, index + 1, 3.4) + text(x + 5, 25, way, { size: 3 })
  })
  return name + device + line(PAGE.margin, 20, right, 20, 0.5) + layers.join('')
}

function reach(profile: Profile, model: DeviceModel, index: number): string {
  const keys = keysOfLayer(profile, model, index)
  const names = keys.map(({ inputId, how }) => {
    const name = inputById(model, inputId)?.name ?? inputId
    return how === 'hold' ? `while ${name} is held` : `switched by ${name}`
  })
  const { signal } = itemAt(profile.layers, index)
  return [...names, ...(signal ? [`by signal ${signal}`] : [])].join(', ')
}

function footer(profile: Profile): string {
  const y = PAGE.height - PAGE.margin
  return text(
    PAGE.margin,
    y,
    [
      `For ${computerText(profile.computer)}.`,
      'Kept in the device: works with no software.',
      ...(profile.rules.length > 0
        ? [`For play: ${profile.rules.map((rule) => RULE_WORDS[rule].toLowerCase()).join(', ')}.`]
        : []),
    ].join(' '),
    {
      size: 2.8,
    },
  )
}
