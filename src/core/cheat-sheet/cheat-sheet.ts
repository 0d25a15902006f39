import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import { inputById } from '../device/lookups'
import { keysOfLayer } from '../edits/layer-edits'
import { factList, message, type MessageFact, type TextOf } from '../message/message'
import { computerMessage } from '../compile/pending'
import { PLAY_RULE_NAMES } from '../compile/apply-differences'
import type { Profile } from '../document/schema'
import { type MacroShelf } from '../document/macro'
import { sheetEntries } from './entries'
import { keyboardDrawing } from './keyboard'
import { mouseDrawing } from './mouse'
import { truncateToWidth, group, layerBadge, line, page, PAGE, text } from './svg'

/** A QR code: its number of modules per side, and the dark ones as a path of unit squares. */
export interface QrCode {
  size: number
  path: string
}

const CODE_MM = 27
/** A code with more modules per side is too fine for cameras on paper: here, 0.28 mm per module. */
export const MAX_QR_MODULES = 97
/** White modules around a code that readers need (ISO/IEC 18004). */
const QUIET = 4

/**
 * One page with a device and the actions of its inputs on every layer, in black and white.
 *
 * @param code of the profile's link; omitted if it is too fine for paper
 * @returns an A4 SVG document in landscape format without external resources
 */
export function cheatSheet(
  profile: Profile,
  model: DeviceModel,
  macros: MacroShelf,
  textOf: TextOf,
  code?: QrCode,
): string {
  const shown = code && code.size <= MAX_QR_MODULES ? code : undefined
  const right = PAGE.width - PAGE.margin - (shown ? CODE_MM + 3 : 0)
  const entries = sheetEntries(profile, model, textOf, macros)
  const area = { top: shown ? PAGE.margin + CODE_MM : 30, bottom: PAGE.height - PAGE.margin - 4 }
  const { layout } = profile.computer
  const drawing =
    model.kind === 'keyboard'
      ? keyboardDrawing(entries, model, layout, area, textOf)
      : mouseDrawing(entries, model, profile.hand, area)
  return page(
    `${profile.name}, ${model.name}`,
    header(profile, model, right, textOf) + codeDrawing(shown) + drawing + footer(profile, textOf),
  )
}

function codeDrawing(code: QrCode | undefined): string {
  if (!code) return ''
  const scale = CODE_MM / (code.size + 2 * QUIET)
  const [x, y] = [PAGE.width - PAGE.margin - CODE_MM + QUIET * scale, PAGE.margin - 4 + QUIET * scale]
  return group(x, y, scale, `<path d="${code.path}" shape-rendering="crispEdges"/>`)
}

/** @param right its right edge, in mm from the left edge of the page */
function header(profile: Profile, model: DeviceModel, right: number, textOf: TextOf): string {
  const room = right - PAGE.margin - 77
  const name = text(PAGE.margin, 17, truncateToWidth(profile.name, room, 7, true), { size: 7, bold: true })
  const device = text(right, 17, `${model.maker} ${model.name}`, { size: 4, anchor: 'end' })
  const upper = profile.layers.slice(1)
  const width = (right - PAGE.margin) / Math.max(2, upper.length)
  const layers = upper.map((layer, index) => {
    const x = PAGE.margin + index * width
    const way = truncateToWidth(
      `${layer.name}: ${textOf(activation(profile, model, index + 1))}`,
      width - 8,
      3,
    )
    return layerBadge(x, 25, index + 1, 3.4) + text(x + 5, 25, way, { size: 3 })
  })
  return name + device + line(PAGE.margin, 20, right, 20, 0.5) + layers.join('')
}

function activation(profile: Profile, model: DeviceModel, index: number): MessageFact {
  const keys = keysOfLayer(profile, model, index)
  const names = keys.map(({ inputId, how }) => {
    const name = inputById(model, inputId)?.name ?? inputId
    return message(how === 'hold' ? 'sheet.whileHeld' : 'sheet.toggledBy', { input: name })
  })
  const { signal } = itemAt(profile.layers, index)
  return factList([...names, ...(signal ? [message('sheet.bySignal', { signal })] : [])], 'comma')
}

function footer(profile: Profile, textOf: TextOf): string {
  const y = PAGE.height - PAGE.margin
  const computer = computerMessage(profile.computer)
  const rules = profile.rules.map((rule) => PLAY_RULE_NAMES[rule])
  return text(
    PAGE.margin,
    y,
    textOf(
      rules.length === 0
        ? message('sheet.footer', { computer })
        : message('sheet.footerWithRules', { computer, rules: factList(rules, 'comma') }),
    ),
    {
      size: 2.8,
    },
  )
}
