import { chordOf, shortcutById, type TargetComputer } from '../computer/shortcuts'
import { keyLegend, type LayoutId } from '../computer/layouts'
import type { DeviceModel } from '../device/model'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { factList, type MessageFact, type TextOf } from '../message/message'
import type { CommandAction } from '../terms/commands'
import { factoryProfile } from '../terms/profile'
import type { LayerColour, Profile, SingleAction } from '../document/schema'
import { MODIFIER_CODES } from '../hid/keyboard-page'

/** Everything besides the action that its text depends on. */
export interface ActionContext {
  model: DeviceModel
  computer: TargetComputer
  layers: readonly { name: string; colour: LayerColour }[]
  macros: MacroShelf
  /** The commands that can be bound by their names: those of the program of a profile. */
  commands?: readonly CommandAction[]
  /** The reader's language, in which texts are understood besides English. */
  textOf?: TextOf
}

/** A context with the language in which texts are written. */
export type TypingContext = ActionContext & { textOf: TextOf }

export const contextOf = (
  { computer, layers }: Profile,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
  commands: readonly CommandAction[] = [],
): ActionContext => ({ model, computer, layers, macros, commands })

/** Returns the context of a factory profile, for texts about a model alone. */
export const factoryContext = (model: DeviceModel): ActionContext =>
  contextOf(factoryProfile(model, '–'), model)

/** A key action with its modifiers in the order of their usages, each once, without the key itself. */
export function keyAction(code: string, modifiers: Iterable<string>): SingleAction {
  const held = new Set([...modifiers].filter((modifier) => modifier !== code))
  return { kind: 'key', code, modifiers: MODIFIER_CODES.filter((each) => held.has(each)) }
}

/** Keys joined as a chord: `Ctrl+Shift+Y`. */
export const chordMessage = (codes: readonly string[], layout: LayoutId): MessageFact =>
  factList(
    codes.map((code) => keyLegend(code, layout)),
    'plus',
  )

/** The keys of a shortcut on the computer of a context; undefined if it has none, or no system is set. */
export function shortcutKeys(id: string, { computer }: ActionContext): MessageFact | undefined {
  const shortcut = shortcutById(id)
  const chord = shortcut && chordOf(shortcut, computer)
  return chord && chordMessage([...chord.modifiers, chord.code], computer.layout)
}

/** Name of a layer in the text of an action; its number if it does not exist. */
export const layerName = (layer: number, { layers }: ActionContext): string =>
  layers[layer]?.name ?? String(layer)
