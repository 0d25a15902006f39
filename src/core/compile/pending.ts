import { itemAt } from '../base/items'
import { LoweringError } from '../base/refusal'
import { connectionById } from '../device/lookups'
import type { DeviceModel } from '../device/model'
import { layoutName } from '../computer/layouts'
import { actionText } from '../text/action-text'
import { contextOf } from '../text/context'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { sameValue } from '../base/same-value'
import { lightIds } from '../terms/light'
import { SETTINGS } from '../document/device-settings'
import { lowerMacro } from '../terms/lower-macro'
import { lowerAction } from '../terms/onboard-terms'
import { bindingOn, factoryAction, macrosOf, partsOf, placedBindings } from '../terms/profile'
import { itemName, itemText } from '../text/light-words'
import type { Action, Binding, Later, Layer, Profile, StackItem, Step } from '../document/schema'
import { SYSTEM_NAMES, type ComputerSetUp } from '../computer/shortcuts'

/** One edit as a person counts them: this input, that step, the rate of a connection. */
export interface Edit {
  /** What it is of, whatever it is called: `step:2`, `setting:sleepMinutes`, `light:0`. */
  key: string
  view: 'buttons' | 'motion' | 'light' | 'profile'
  what: string
  from: string
  to: string
  /** The cell it was made in. */
  at?: { layer: number; input: string }
}

/**
 * The edits that lie between two profiles of one model, in the order of the views. Notes are not among them:
 * they stay in the library.
 *
 * @param before what the device holds, read back from its slot
 * @param after what is edited here
 */
export function editsBetween(
  before: Profile,
  after: Profile,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
): Edit[] {
  return [
    ...edit('name', 'profile', 'Name', before.name, after.name, (name) => name),
    ...edit('computer', 'profile', 'Made for', before.computer, after.computer, computerText),
    ...edit('hand', 'profile', 'Hand', before.hand, after.hand, (hand) => hand),
    ...layerEdits(before, after),
    ...bindingEdits(before, after, model, macros),
    ...Array.from({ length: Math.max(before.steps.length, after.steps.length) }, (_, index) =>
      edit(`step:${index}`, 'motion', `Step ${index + 1}`, before.steps[index], after.steps[index], stepText),
    ).flat(),
    ...edit(
      'defaultStep',
      'motion',
      'Default step',
      before.defaultStep,
      after.defaultStep,
      (index) => `step ${index + 1}`,
    ),
    ...model.connections.flatMap(({ id }) =>
      edit(
        `polling:${id}`,
        'motion',
        `Polling, ${connectionById(model, id)?.name}`,
        before.polling[id],
        after.polling[id],
        rateText,
      ),
    ),
    ...SETTINGS.flatMap(({ key, name, factory, text }) => {
      const of = (profile: Profile) => profile.settings[key] ?? factory(model)
      return edit(`setting:${key}`, 'motion', name, of(before), of(after), text)
    }),
    ...lightEdits(before, after, model, macros),
    ...edit('later', 'profile', 'From a later version', before.later, after.later, laterText),
  ]
}

/** Effects by their place from the bottom, so that a new one on top is one edit. */
function lightEdits(before: Profile, after: Profile, model: DeviceModel, macros: MacroShelf): Edit[] {
  const [old, now] = [contextOf(before, model, macros), contextOf(after, model, macros)]
  const count = Math.max(before.light.length, after.light.length)
  return Array.from({ length: count }, (_, place) => {
    const [from, to] = [before.light.at(-1 - place), after.light.at(-1 - place)]
    if (sameValue(from && inOrder(from, model), to && inOrder(to, model))) return []
    const what = `Light, ${itemName(to ?? from ?? itemAt(after.light, 0))}`
    const words = { from: from ? itemText(from, old) : 'none', to: to ? itemText(to, now) : 'none' }
    return [{ key: `light:${place}`, view: 'light' as const, what, ...words }]
  }).flat()
}

/** Zones and lights are chosen, not put in a row: they stand in the model's order, as an image has them. */
function inOrder(item: StackItem, model: DeviceModel): StackItem {
  if (item.kind !== 'effect' || item.where.kind === 'all') return item
  const { where } = item
  const order = [...model.zones.map(({ id }) => id), ...lightIds(model)]
  const sorted = (ids: readonly string[]) => [...ids].sort((a, b) => order.indexOf(a) - order.indexOf(b))
  return where.kind === 'zones'
    ? { ...item, where: { ...where, zones: sorted(where.zones) } }
    : { ...item, where: { ...where, lights: sorted(where.lights) } }
}

const laterText = ({ sections = [], settings = [], macros = {} }: Later): string =>
  [
    counted(sections.length, 'section'),
    counted(settings.length, 'setting'),
    counted(Object.keys(macros).length, 'numbered macro'),
  ].join(', ')
const counted = (count: number, what: string): string => `${count || 'no'} ${what}${count === 1 ? '' : 's'}`

function layerEdits(before: Profile, after: Profile): Edit[] {
  const count = Math.max(before.layers.length, after.layers.length)
  return Array.from({ length: count }, (_, index) => {
    const [from, to] = [before.layers[index], after.layers[index]]
    return edit(
      `layer:${index}`,
      'buttons',
      `Layer ${(to ?? from)?.name}`,
      from && properties(from),
      to && properties(to),
      layerText,
    )
  }).flat()
}

const properties = ({ name, colour, signal }: Layer) => ({ name, colour, signal: signal ?? 0 })
const layerText = ({ name, colour, signal }: ReturnType<typeof properties>): string =>
  `${name}, ${colour}${signal ? `, signal ${signal}` : ''}`

function bindingEdits(before: Profile, after: Profile, model: DeviceModel, macros: MacroShelf): Edit[] {
  const [old, now] = [contextOf(before, model, macros), contextOf(after, model, macros)]
  return after.layers.flatMap(({ name }, layer) =>
    model.inputs.flatMap((input) => {
      const on = (profile: Profile): Omit<Binding, 'note'> | undefined => {
        const binding = bindingOn(profile, layer, input.id)
        if (!binding) return layer === 0 ? { action: factoryAction(input) } : undefined
        return { action: binding.action, ...(binding.name && { name: binding.name }) }
      }
      const [from, to] = [on(before), on(after)]
      if (sameValue(from, to)) return []
      const text = (binding: typeof from, context: typeof old) =>
        binding
          ? `${actionText(binding.action, context)}${binding.name ? ` = ${binding.name}` : ''}`
          : 'as below'
      const what = layer === 0 ? input.name : `${input.name}, ${name}`
      const words = { from: text(from, old), to: text(to, now) }
      const key = `binding:${layer}:${input.id}`
      return [{ key, view: 'buttons' as const, what, ...words, at: { layer, input: input.id } }]
    }),
  )
}

/**
 * Cells that say the same in two profiles and are other keys on the device, for the profiles are made for different
 * computers: shortcuts, texts, openings, and macros that type.
 */
export function loweredOtherwise(
  before: Profile,
  after: Profile,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
): Edit[] {
  if (sameValue(before.computer, after.computer)) return []
  return placedBindings(after, model).flatMap(({ layer, input, binding: { action } }) => {
    const there = bindingOn(before, layer, input.id)?.action
    if (!sameValue(there, action)) return []
    const keys = ({ computer }: Profile) => loweredKeys(action, computer, macros)
    if (keys(before) === keys(after)) return []
    const text = actionText(action, contextOf(after, model, macros))
    const what = layer === 0 ? input.name : `${input.name}, ${itemAt(after.layers, layer).name}`
    const on = ({ computer }: Profile) => `${text}, keys of ${computerText(computer)}`
    const key = `binding:${layer}:${input.id}`
    return [{ key, view: 'buttons', what, from: on(before), to: on(after), at: { layer, input: input.id } }]
  })
}

/** What a device is given for an action, to be compared; what cannot be typed is like nothing else. */
function loweredKeys(action: Action, computer: ComputerSetUp, macros: MacroShelf): string {
  try {
    const played = partsOf(action)
      .flatMap(macrosOf)
      .flatMap((id) => macros.get(id) ?? [])
    return JSON.stringify([
      lowerAction(action, computer),
      played.map((each) => lowerMacro(each, macros, computer)),
    ])
  } catch (error) {
    if (error instanceof LoweringError) return error.message
    throw error
  }
}

/** The computer a profile is made for, in words. */
export const computerText = ({ system, layout }: ComputerSetUp): string =>
  `${system ? SYSTEM_NAMES[system] : 'any system'}, ${layoutName(layout)} layout`

const stepText = ({ dpi, dpiY, colour, name }: Step): string =>
  `${dpi}${dpiY === undefined ? '' : ` × ${dpiY}`} DPI ${colour}${name ? ` = ${name}` : ''}`
const rateText = (rateHz: number): string => `${rateHz} Hz`

function edit<T>(
  key: string,
  view: Edit['view'],
  what: string,
  from: T,
  to: T,
  text: (value: NonNullable<T>) => string,
): Edit[] {
  const words = (value: T) => (value === undefined || value === null ? 'none' : text(value))
  return sameValue(from, to) ? [] : [{ key, view, what, from: words(from), to: words(to) }]
}
