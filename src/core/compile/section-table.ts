import { message, type Message } from '../message/message'
import { equalBytes } from '../base/bytes'
import type { DeviceModel } from '../device/model'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import type { Profile } from '../document/schema'
import { SECTION } from '../onboard/image'
import { sectionsOf } from '../onboard/sections'
import { lowerProfile } from './lower'

/** One section of two images: its size in each, and whether they are identical. */
export interface SectionRow {
  type: number
  name: Message
  here: number
  there: number
  same: boolean
}

const NAMES = new Map<number, Message>([
  [SECTION.name, message('differences.sectionName')],
  [SECTION.bindings, message('differences.sectionBindings')],
  [SECTION.steps, message('differences.sectionSteps')],
  [SECTION.polling, message('differences.sectionPolling')],
  [SECTION.layers, message('differences.sectionLayers')],
  [SECTION.macros, message('differences.sectionMacros')],
  [SECTION.names, message('differences.sectionNames')],
  [SECTION.light, message('differences.sectionLight')],
  [SECTION.settings, message('differences.sectionSettings')],
  [SECTION.made, message('differences.sectionMade')],
  [SECTION.macroNames, message('differences.sectionMacroNames')],
  [SECTION.stepNames, message('differences.sectionStepNames')],
  [SECTION.lightNames, message('differences.sectionLightNames')],
  [SECTION.revision, message('differences.sectionRevision')],
])

/** Two profiles of one model as a device would store them, section by section in the order of the format's numbers. */
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
    const name = NAMES.get(type) ?? message('differences.sectionUnknown', { type })
    return { type, name, here: a.length, there: b.length, same: equalBytes(a, b) }
  })
}

const NOTHING = new Uint8Array()

/** Labels of the sections; the bindings have one section per layer, shown together. */
function payloads(profile: Profile, model: DeviceModel, macros: MacroShelf): Map<number, Uint8Array> {
  const all = new Map<number, Uint8Array>()
  for (const { type, payload } of sectionsOf(lowerProfile(profile, model, macros)))
    all.set(type, Uint8Array.from([...(all.get(type) ?? NOTHING), ...payload]))
  return all
}
