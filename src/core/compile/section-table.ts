import { sameBytes } from '../base/bytes'
import type { DeviceModel } from '../device/model'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import type { Profile } from '../document/schema'
import { SECTION } from '../onboard/image'
import { sectionsOf } from '../onboard/sections'
import { lowerProfile } from './lower'

/** One section of two images: how many bytes each has of it, and whether they are the same. */
export interface SectionRow {
  type: number
  name: string
  here: number
  there: number
  same: boolean
}

const NAMES = new Map<number, string>([
  [SECTION.name, 'name'],
  [SECTION.bindings, 'bindings'],
  [SECTION.steps, 'steps'],
  [SECTION.polling, 'polling rates'],
  [SECTION.layers, 'layers'],
  [SECTION.macros, 'macros'],
  [SECTION.names, 'in-game names'],
  [SECTION.light, 'light'],
  [SECTION.settings, 'finer settings'],
  [SECTION.made, 'made for'],
  [SECTION.macroNames, 'names of macros'],
  [SECTION.stepNames, 'names of steps'],
  [SECTION.lightNames, 'names of effects'],
  [SECTION.revision, 'revision of the model'],
])

/** Two profiles of one model as the device would keep them, section by section in the order of the format's numbers. */
export function sectionTable(
  here: Profile,
  there: Profile,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
): SectionRow[] {
  const [own, other] = [payloads(here, model, macros), payloads(there, model, macros)]
  const types = [...new Set([...own.keys(), ...other.keys()])].sort((a, b) => a - b)
  return types.map((type) => {
    const [a, b] = [own.get(type) ?? NOTHING, other.get(type) ?? NOTHING]
    const name = NAMES.get(type) ?? `section ${type}, of a later version`
    return { type, name, here: a.length, there: b.length, same: sameBytes(a, b) }
  })
}

const NOTHING = new Uint8Array()

/** What each section says; bindings have one a layer, which are taken together. */
function payloads(profile: Profile, model: DeviceModel, macros: MacroShelf): Map<number, Uint8Array> {
  const all = new Map<number, Uint8Array>()
  for (const { type, payload } of sectionsOf(lowerProfile(profile, model, macros)))
    all.set(type, Uint8Array.from([...(all.get(type) ?? NOTHING), ...payload]))
  return all
}
