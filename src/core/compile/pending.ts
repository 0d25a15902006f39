import { itemAt } from '../base/items'
import { LoweringError } from '../base/errors'
import { connectionById } from '../device/lookups'
import type { DeviceModel } from '../device/model'
import { layoutName } from '../computer/layouts'
import { actionMessage } from '../text/action-text'
import { contextOf, type ActionContext } from '../text/context'
import { EMPTY_SHELF, type MacroShelf } from '../document/macro'
import { deepEqual } from '../base/deep-equal'
import { lightIds } from '../terms/light'
import { SETTINGS } from '../document/device-settings'
import { lowerMacro } from '../terms/lower-macro'
import { lowerAction } from '../terms/onboard-terms'
import { bindingOn, factoryAction, macrosOf, singleActions, placedBindings } from '../terms/profile'
import { stackItemMessage, stackItemName } from '../text/light-messages'
import { COLOUR_NAMES } from '../wording/colour-messages'
import { factList, message, type MessageFact } from '../message/message'
import type { Action, Binding, UnknownContent, Layer, Profile, StackItem, Step } from '../document/schema'
import { OPERATING_SYSTEM_NAMES, type TargetComputer } from '../computer/shortcuts'

/** One edit as people count them: an input, a step, the rate of a connection. */
export interface Edit {
  /** Its subject, independent of names: `step:2`, `setting:sleepMinutes`, `light:0`. */
  key: string
  view: 'buttons' | 'motion' | 'light' | 'profile'
  what: MessageFact
  from: MessageFact
  to: MessageFact
  /** The edited cell. */
  at?: { layer: number; input: string }
}

/**
 * The edits between two profiles of one model, in the order of the views. Notes are not included because they stay in
 * the library.
 *
 * @param before the profile in the slot, read back from the device
 * @param after the edited profile
 */
export function editsBetween(
  before: Profile,
  after: Profile,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
): Edit[] {
  return [
    ...edit('name', 'profile', message('differences.name'), before.name, after.name, (name) => name),
    ...edit(
      'computer',
      'profile',
      message('differences.computer'),
      before.computer,
      after.computer,
      computerMessage,
    ),
    ...edit('hand', 'profile', message('differences.hand'), before.hand, after.hand, (hand) =>
      message(hand === 'left' ? 'differences.left' : 'differences.right'),
    ),
    ...layerEdits(before, after),
    ...bindingEdits(before, after, model, macros),
    ...Array.from({ length: Math.max(before.steps.length, after.steps.length) }, (_, index) =>
      edit(
        `step:${index}`,
        'motion',
        message('differences.step', { step: index + 1 }),
        before.steps[index],
        after.steps[index],
        stepMessage,
      ),
    ).flat(),
    ...edit(
      'defaultStep',
      'motion',
      message('differences.defaultStep'),
      before.defaultStep,
      after.defaultStep,
      (index) => message('differences.step', { step: index + 1 }),
    ),
    ...model.connections.flatMap(({ id }) =>
      edit(
        `polling:${id}`,
        'motion',
        message('differences.polling', { connection: connectionById(model, id)?.name ?? id }),
        before.polling[id],
        after.polling[id],
        rateMessage,
      ),
    ),
    ...SETTINGS.flatMap(({ key, name, factory, text }) => {
      const of = (profile: Profile) => profile.settings[key] ?? factory(model)
      return edit(`setting:${key}`, 'motion', name, of(before), of(after), text)
    }),
    ...lightEdits(before, after, model, macros),
    ...edit('later', 'profile', message('effects.later'), before.later, after.later, unknownMessage),
  ]
}

/** Effects by their position from the bottom, so that adding one on top is a single edit. */
function lightEdits(before: Profile, after: Profile, model: DeviceModel, macros: MacroShelf): Edit[] {
  const [old, now] = [contextOf(before, model, macros), contextOf(after, model, macros)]
  const count = Math.max(before.light.length, after.light.length)
  return Array.from({ length: count }, (_, place) => {
    const [from, to] = [before.light.at(-1 - place), after.light.at(-1 - place)]
    if (deepEqual(from && inOrder(from, model), to && inOrder(to, model))) return []
    const what = message('differences.light', {
      effect: stackItemName(to ?? from ?? itemAt(after.light, 0)),
    })
    const values = {
      from: from ? stackItemMessage(from, old) : NONE,
      to: to ? stackItemMessage(to, now) : NONE,
    }
    return [{ key: `light:${place}`, view: 'light' as const, what, ...values }]
  }).flat()
}

/** Zones and lights are a set: they follow the order of the model, as in an image. */
function inOrder(item: StackItem, model: DeviceModel): StackItem {
  if (item.kind !== 'effect' || item.where.kind === 'all') return item
  const { where } = item
  const order = [...model.zones.map(({ id }) => id), ...lightIds(model)]
  const sorted = (ids: readonly string[]) => [...ids].sort((a, b) => order.indexOf(a) - order.indexOf(b))
  return where.kind === 'zones'
    ? { ...item, where: { ...where, zones: sorted(where.zones) } }
    : { ...item, where: { ...where, lights: sorted(where.lights) } }
}

const unknownMessage = ({ sections = [], settings = [], macros = {} }: UnknownContent): MessageFact =>
  factList(
    [
      message('differences.sections', { count: sections.length }),
      message('differences.settings', { count: settings.length }),
      message('differences.numberedMacros', { count: Object.keys(macros).length }),
    ],
    'comma',
  )

function layerEdits(before: Profile, after: Profile): Edit[] {
  const count = Math.max(before.layers.length, after.layers.length)
  return Array.from({ length: count }, (_, index) => {
    const [from, to] = [before.layers[index], after.layers[index]]
    return edit(
      `layer:${index}`,
      'buttons',
      message('differences.layer', { layer: (to ?? from)?.name ?? index }),
      from && properties(from),
      to && properties(to),
      layerMessage,
    )
  }).flat()
}

const properties = ({ name, colour, signal }: Layer) => ({ name, colour, signal: signal ?? 0 })
const layerMessage = ({ name, colour, signal }: ReturnType<typeof properties>): MessageFact =>
  factList(
    [name, COLOUR_NAMES[colour], ...(signal ? [message('differences.signal', { signal })] : [])],
    'comma',
  )

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
      if (deepEqual(from, to)) return []
      const text = (binding: typeof from, context: typeof old) =>
        binding ? bindingMessage(binding, context) : message('differences.inherited')
      const what =
        layer === 0 ? input.name : message('differences.inputInLayer', { input: input.name, layer: name })
      const words = { from: text(from, old), to: text(to, now) }
      const key = `binding:${layer}:${input.id}`
      return [{ key, view: 'buttons' as const, what, ...words, at: { layer, input: input.id } }]
    }),
  )
}

/**
 * Cells with the same text in two profiles but different keys on the device, because the profiles are for different
 * computers: shortcuts, texts, openings, and macros that type.
 */
export function loweringChanges(
  before: Profile,
  after: Profile,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
): Edit[] {
  if (deepEqual(before.computer, after.computer)) return []
  return placedBindings(after, model).flatMap(({ layer, input, binding: { action } }) => {
    const there = bindingOn(before, layer, input.id)?.action
    if (!deepEqual(there, action)) return []
    const keys = ({ computer }: Profile) => loweredKeys(action, computer, macros)
    if (keys(before) === keys(after)) return []
    const text = actionMessage(action, contextOf(after, model, macros))
    const what =
      layer === 0
        ? input.name
        : message('differences.inputInLayer', { input: input.name, layer: itemAt(after.layers, layer).name })
    const on = ({ computer }: Profile) =>
      message('differences.keysOn', { action: text, computer: computerMessage(computer) })
    const key = `binding:${layer}:${input.id}`
    return [{ key, view: 'buttons', what, from: on(before), to: on(after), at: { layer, input: input.id } }]
  })
}

/** The keys that a device receives for an action, for comparison; an action that cannot be typed equals nothing. */
function loweredKeys(action: Action, computer: TargetComputer, macros: MacroShelf): string {
  try {
    const played = singleActions(action)
      .flatMap(macrosOf)
      .flatMap((id) => macros.get(id) ?? [])
    return JSON.stringify([
      lowerAction(action, computer),
      played.map((each) => lowerMacro(each, macros, computer)),
    ])
  } catch (error) {
    if (error instanceof LoweringError) return JSON.stringify(error.reason)
    throw error
  }
}

/** The computer of a profile. */
export const computerMessage = ({ system, layout }: TargetComputer): MessageFact =>
  system
    ? message('differences.computerLayout', {
        system: OPERATING_SYSTEM_NAMES[system],
        layout: layoutName(layout),
      })
    : message('differences.anyComputerLayout', { layout: layoutName(layout) })

function bindingMessage({ action, name }: Omit<Binding, 'note'>, context: ActionContext): MessageFact {
  const does = actionMessage(action, context)
  return name ? message('actions.named', { action: does, name }) : does
}

const stepMessage = ({ dpi, dpiY, colour, name }: Step): MessageFact =>
  factList(
    [
      dpiY === undefined
        ? message('differences.dpi', { dpi })
        : message('differences.dpiAxes', { dpi, dpiY }),
      colour,
      ...(name ? [name] : []),
    ],
    'comma',
  )
const rateMessage = (rateHz: number): MessageFact => message('differences.rate', { rate: rateHz })
const NONE = message('differences.none')

function edit<T>(
  key: string,
  view: Edit['view'],
  what: MessageFact,
  from: T,
  to: T,
  text: (value: NonNullable<T>) => MessageFact,
): Edit[] {
  const valueMessage = (value: T) => (value === undefined || value === null ? NONE : text(value))
  return deepEqual(from, to) ? [] : [{ key, view, what, from: valueMessage(from), to: valueMessage(to) }]
}
