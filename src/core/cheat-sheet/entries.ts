import type { DeviceInput, DeviceModel } from '../device/model'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { actionMessage } from '../text/action-text'
import { contextOf } from '../text/context'
import { bindingOn, differsFromFactory, factoryAction } from '../terms/profile'
import type { TextOf } from '../message/message'
import type { Profile } from '../document/schema'

/** One line of an input: its action on the base layer (0) or another. */
export interface SheetLine {
  layer: number
  /** Its in-game name, or its action if it has no name. */
  text: string
  /** Its action, if it has an in-game name. */
  does?: string
}

export interface SheetEntry {
  input: DeviceInput
  name: string
  lines: SheetLine[]
  /** Whether any part differs from factory settings. */
  changed: boolean
}

/** Every input with its action on each layer that has one, the base layer first. */
export function sheetEntries(
  profile: Profile,
  model: DeviceModel,
  textOf: TextOf,
  macros: MacroShelf = EMPTY_SHELF,
): SheetEntry[] {
  const context = contextOf(profile, model, macros)
  return model.inputs.map((input) => ({
    input,
    name: textOf(input.name),
    changed: differsFromFactory(profile, model, input.id),
    lines: profile.layers.flatMap((_, layer) => {
      const binding =
        bindingOn(profile, layer, input.id) ?? (layer === 0 ? { action: factoryAction(input) } : undefined)
      if (!binding) return []
      const does = textOf(actionMessage(binding.action, context))
      return [binding.name ? { layer, text: binding.name, does } : { layer, text: does }]
    }),
  }))
}
