import type { DeviceInput, DeviceModel } from '../device/model'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { actionText } from '../text/action-text'
import { contextOf } from '../text/context'
import { bindingOn, differsFromFactory, factoryAction } from '../terms/profile'
import type { Profile } from '../document/schema'

/** One line of what an input does: on the base layer (0) or another. */
export interface SheetLine {
  layer: number
  /** What it is called in the game, or what it does where it has no name. */
  text: string
  /** What it does, where it has a name. */
  does?: string
}

export interface SheetEntry {
  input: DeviceInput
  lines: SheetLine[]
  /** Whether anything of it is other than the factory set it. */
  changed: boolean
}

/** Every input with what it does on each layer that says something of it, the base layer first. */
export function sheetEntries(
  profile: Profile,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
): SheetEntry[] {
  const context = contextOf(profile, model, macros)
  return model.inputs.map((input) => ({
    input,
    changed: differsFromFactory(profile, model, input.id),
    lines: profile.layers.flatMap((_, layer) => {
      const binding =
        bindingOn(profile, layer, input.id) ?? (layer === 0 ? { action: factoryAction(input) } : undefined)
      if (!binding) return []
      const does = actionText(binding.action, context)
      return [binding.name ? { layer, text: binding.name, does } : { layer, text: does }]
    }),
  }))
}
