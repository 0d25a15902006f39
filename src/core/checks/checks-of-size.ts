import { slotCapacity } from '../device/lookups'
import type { DeviceModel } from '../device/model'
import { bindingBytes } from '../onboard/actions'
import { placeName } from './checks-of-bindings'
import { unbind } from '../document/edits'
import { cell, error, warning, type Finding } from './finding'
import { lowerAction } from '../document/onboard-terms'
import { placedBindings, type PlacedBinding } from '../document/profile'
import type { Profile } from '../document/schema'

/** Rules about bytes; the compiler runs them when it knows how many there are. */

const MOST_FIXES = 3

/** The finding for an image that is larger than a slot, with what would free the room, largest first. */
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
    .slice(0, MOST_FIXES)
  const [first] = largest
  const fixes = largest.map(({ where, bytes: freed }) => ({
    label: `Clear ${placeName(profile, where)}: frees ${freed} B`,
    apply: (current: Profile) => unbind(current, model, where.layer, where.input.id),
  }))
  const message =
    `The image takes ${bytes} B, ${over} B more than a slot of ${model.name} holds. ` +
    `The largest binding is ${placeName(profile, first.where)} with ${first.bytes} B` +
    largestMacro(macros)
  return [error('size', cell(first.where.layer, first.where.input.id), message, fixes)]
}

/** The finding for in-game names that found no room beside the rest. */
export function checkNames(bytes: number, profile: Profile, model: DeviceModel): Finding[] {
  const message =
    `In-game names take ${bytes} B and find no room beside the rest in a slot of ${model.name}: ` +
    `they stay in this library, and everything works without them`
  return [warning('names', { view: 'buttons', at: { layer: profile.layers.length - 1 } }, message)]
}

function largestMacro(macros: readonly { name: string; code: Uint8Array }[]): string {
  const [largest] = [...macros].sort((a, b) => b.code.length - a.code.length)
  return largest ? `, the largest macro ${largest.name} with ${largest.code.length} B` : ''
}

function bytesOf({ binding: { action }, layer, input }: PlacedBinding, profile: Profile): number {
  if (layer === 0 && !profile.layers[0].bindings[input.id]) return 0
  return bindingBytes(lowerAction(action, profile.computer))
}
