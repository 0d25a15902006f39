import { baseLayer } from '../document/base-layer'
import { itemAt } from '../base/items'
import { slotCapacity } from '../device/lookups'
import type { DeviceModel } from '../device/model'
import { bindingBytes } from '../actions/records'
import { unbind } from '../edits/edits'
import { bindingPlace, errorFinding, createFix, nameInput, warningFinding, type Finding } from './finding'
import { lowerAction } from '../terms/onboard-terms'
import { placedBindings, type PlacedBinding } from '../terms/profile'
import type { Profile } from '../document/schema'

/** Rules for sizes; the compiler runs them once it has counted the bytes. */

const MAX_FIXES = 3

/** The finding for an image that is too large for a slot, with the largest parts to remove first. */
export function checkSize(
  bytes: number,
  profile: Profile,
  model: DeviceModel,
  macros: readonly { name: string; code: Uint8Array }[] = [],
): Finding[] {
  const over = bytes - slotCapacity(model.memory)
  if (over <= 0) return []
  const largest = placedBindings(profile, model)
    .map((where) => ({ where, bytes: bytesOf(where, profile) }))
    .sort((a, b) => b.bytes - a.bytes)
    .slice(0, MAX_FIXES)
  const first = itemAt(largest, 0)
  const fixes = largest.map(({ where, bytes: freed }) =>
    createFix('clear-place', { where: nameInput(profile, where), bytes: freed }, (current) =>
      unbind(current, model, where.layer, where.input.id),
    ),
  )
  const binding = { where: nameInput(profile, first.where), bytes: first.bytes }
  const facts = { bytes, over, model: model.name, binding, macro: largestMacro(macros) }
  return [errorFinding('size', bindingPlace(first.where), facts, fixes)]
}

/** The finding for in-game names that do not fit into the slot. */
export function checkNames(bytes: number, profile: Profile, model: DeviceModel): Finding[] {
  const at = { layer: profile.layers.length - 1 }
  return [warningFinding('names', { view: 'buttons', at }, { bytes, model: model.name })]
}

function largestMacro(macros: readonly { name: string; code: Uint8Array }[]) {
  const largest = [...macros].sort((a, b) => b.code.length - a.code.length).at(0)
  return largest && { name: largest.name, bytes: largest.code.length }
}

function bytesOf({ binding: { action }, layer, input }: PlacedBinding, profile: Profile): number {
  if (layer === 0 && !baseLayer(profile).bindings[input.id]) return 0
  return bindingBytes(lowerAction(action, profile.computer))
}
