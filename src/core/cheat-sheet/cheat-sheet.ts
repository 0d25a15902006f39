import type { DeviceModel } from '../device/model'
import { inputById } from '../device/lookups'
import { keysOfLayer } from '../document/layer-edits'
import { computerText } from '../compile/pending'
import { RULE_WORDS } from '../compile/take-over'
import type { Profile } from '../document/schema'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { sheetEntries } from './entries'
import { keyboardDrawing } from './keyboard'
import { mouseDrawing } from './mouse'
import { fitted, layerMark, line, page, PAGE, text } from './svg'

/**
 * One page with a device and what each of its inputs does on every layer, black on white.
 *
 * @returns an SVG document of A4 size, landscape, that needs nothing from outside
 */
export function cheatSheet(profile: Profile, model: DeviceModel, macros: MacroShelf = EMPTY_SHELF): string {
  const entries = sheetEntries(profile, model, macros)
  const area = { top: 30, bottom: PAGE.height - PAGE.margin - 4 }
  const { layout } = profile.computer
  const drawing =
    model.kind === 'keyboard'
      ? keyboardDrawing(entries, model, layout, area)
      : mouseDrawing(entries, model, profile.hand, area)
  return page(`${profile.name}, ${model.name}`, header(profile, model) + drawing + footer(profile))
}

function header(profile: Profile, model: DeviceModel): string {
  const name = text(PAGE.margin, 17, fitted(profile.name, 190, 7, true), { size: 7, bold: true })
  const right = text(PAGE.width - PAGE.margin, 17, `${model.maker} ${model.name}`, { size: 4, anchor: 'end' })
  const upper = profile.layers.slice(1)
  const width = (PAGE.width - 2 * PAGE.margin) / Math.max(2, upper.length)
  const layers = upper.map((layer, index) => {
    const x = PAGE.margin + index * width
    const way = fitted(`${layer.name} ${reach(profile, model, index + 1)}`, width - 8, 3)
    return layerMark(x, 25, index + 1, 3.4) + text(x + 5, 25, way, { size: 3 })
  })
  return name + right + line(PAGE.margin, 20, PAGE.width - PAGE.margin, 20, 0.5) + layers.join('')
}

function reach(profile: Profile, model: DeviceModel, index: number): string {
  const keys = keysOfLayer(profile, model, index)
  const names = keys.map(({ inputId, how }) => {
    const name = inputById(model, inputId)?.name ?? inputId
    return how === 'hold' ? `while ${name} is held` : `switched by ${name}`
  })
  const { signal } = profile.layers[index]
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
