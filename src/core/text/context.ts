import { chordOf, shortcutById, type ComputerSetUp } from '../computer/shortcuts'
import { keyLegend } from '../computer/layouts'
import type { DeviceModel } from '../device/model'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { factoryProfile } from '../terms/profile'
import type { LayerColour, Profile, SingleAction } from '../document/schema'
import { KEY_USAGES } from '../hid/keyboard-page'
import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'

/** What the text of an action depends on besides the action. */
export interface ActionContext {
  model: DeviceModel
  computer: ComputerSetUp
  layers: readonly { name: string; colour: LayerColour }[]
  macros: MacroShelf
}

export const contextOf = (
  { computer, layers }: Profile,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
): ActionContext => ({ model, computer, layers, macros })

/** Returns the context of a factory profile, for texts about a model alone. */
export const factoryContext = (model: DeviceModel): ActionContext =>
  contextOf(factoryProfile(model, '–'), model)

/** A key action with its modifiers in the order of their usages, each once, and not the key itself. */
export function keyAction(code: string, modifiers: Iterable<string>): SingleAction {
  const held = new Set([...modifiers].filter((modifier) => modifier !== code))
  const sorted = MODIFIERS.filter((key) => held.has(key.code)).map((key) => key.code)
  return { kind: 'key', code, modifiers: sorted }
}

const MODIFIERS = KEY_USAGES.filter((key) => key.usage >= FIRST_MODIFIER_USAGE)

/** The keys a shortcut is on the computer of a context; undefined when it has none there, or none is said. */
export function shortcutKeys(id: string, { computer }: ActionContext): string | undefined {
  const shortcut = shortcutById(id)
  const chord = shortcut && chordOf(shortcut, computer)
  return chord && [...chord.modifiers, chord.code].map((code) => keyLegend(code, computer.layout)).join('+')
}

/** Name of a layer as an action names it; its number where it has gone. */
export const layerName = (layer: number, { layers }: ActionContext): string =>
  layers[layer]?.name ?? String(layer)
