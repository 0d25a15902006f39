import type { DeviceInput, DeviceModel } from '../device/model'
import { layoutName, macKind } from '../computer/layouts'
import { bind, setComputer, setWords, unbind } from '../document/edits'
import { typedText } from './typed-characters'
import { cell, error, warning, type Check, type Finding, type Fix } from './finding'
import {
  bindingOn,
  leftClicks,
  partsOf,
  placedBindings,
  strangeBindings,
  type PlacedBinding,
} from '../document/profile'
import type { Profile, SingleAction } from '../document/schema'
import { OPERATING_SYSTEMS, shortcutById, SYSTEM_NAMES } from '../computer/shortcuts'
import { doubtfulOnMac, layoutsFor, typedOnText, untypable } from '../computer/typing'

/** Rules about what inputs do. */

/** `Side, rear`, or `Side, rear in Dive`. */
export const placeName = ({ layers }: Profile, { layer, input }: { layer: number; input: DeviceInput }) =>
  layer === 0 ? input.name : `${input.name} in ${layers[layer]?.name}`

/** One finding for each single action of a profile that `find` has something to say of. */
const forEachAction =
  (
    find: (action: SingleAction, where: PlacedBinding, profile: Profile, model: DeviceModel) => Finding[],
  ): Check =>
  (profile, model) =>
    placedBindings(profile, model).flatMap((where) =>
      partsOf(where.binding.action).flatMap((action) => find(action, where, profile, model)),
    )

const clear = (model: DeviceModel, { layer, input }: PlacedBinding): Fix => ({
  label: layer === 0 ? 'Put back the factory’s' : 'Leave it to the layer below',
  apply: (profile) => unbind(profile, model, layer, input.id),
})

const leftClick: Check = (profile, model) => {
  if (model.kind !== 'mouse' || leftClicks(model, profile.layers[0]).length > 0) return []
  const input = model.inputs.find(({ role }) => role === 'primary') ?? model.inputs[0]
  const apply = (current: Profile) =>
    bind(current, model, 0, input.id, { kind: 'button', button: 1, clicks: 1 })
  return [
    error('left-click', cell(0, input.id), 'No button gives a left click on the base layer', [
      { label: `Left click on ${input.name}`, apply },
    ]),
  ]
}

const strangeInputs: Check = (profile, model) =>
  strangeBindings(profile, model).map(({ layer, inputId }) =>
    error('input', { view: 'buttons', at: { layer } }, `${model.name} has no input “${inputId}”`),
  )

const missingStep = forEachAction((action, where, profile, { sensor, name }) => {
  const step =
    action.kind === 'step' ? action.to : action.kind === 'hold-step' && 'step' in action ? action.step : 0
  const place = cell(where.layer, where.input.id)
  if (action.kind !== 'step' && action.kind !== 'hold-step') return []
  if (!sensor)
    return [error('no-sensor', place, `${placeName(profile, where)}: ${name} has no sensor and so no steps`)]
  return typeof step === 'number' && step > profile.steps.length
    ? [
        warning(
          'chosen-step',
          place,
          `${placeName(profile, where)} chooses step ${step}; the profile has ${profile.steps.length}`,
        ),
      ]
    : []
})

const missingSlot = forEachAction((action, where, profile, { memory, name }) =>
  action.kind === 'slot' && typeof action.to === 'number' && action.to > memory.slots
    ? [
        error(
          'chosen-slot',
          cell(where.layer, where.input.id),
          `${placeName(profile, where)} chooses slot ${action.to}; ${name} has ${memory.slots}`,
        ),
      ]
    : [],
)

const systemFixes = (profile: Profile): Fix[] =>
  OPERATING_SYSTEMS.filter((system) => system !== profile.computer.system).map((system) => ({
    label: `It is for ${SYSTEM_NAMES[system]}`,
    apply: (current) => setComputer(current, { ...current.computer, system }),
  }))

const withoutSystem = forEachAction((action, where, profile, model) => {
  const { system } = profile.computer
  const place = cell(where.layer, where.input.id)
  const at = placeName(profile, where)
  if (action.kind === 'open' && !system) {
    const message = `${at} opens something, and the profile does not say for which operating system`
    return [error('system', place, message, systemFixes(profile))]
  }
  if (action.kind !== 'shortcut') return []
  const { label, keys } = shortcutById(action.shortcut) ?? { label: action.shortcut, keys: {} }
  if (!system) {
    const message = `${at}: the keys of ${label} depend on the operating system, and the profile does not say which`
    return [error('system', place, message, systemFixes(profile))]
  }
  if (keys[system]) return []
  const message = `${at}: ${SYSTEM_NAMES[system]} has no shortcut for ${label}`
  return [error('shortcut', place, message, [clear(model, where)])]
})

const untypableText = forEachAction((action, where, profile, model) => {
  const text = typedText(action, profile)
  const missing = untypable(text, profile.computer)
  if (missing.length === 0) return []
  const fixes = layoutsFor(text, profile.computer)
    .slice(0, 2)
    .map((id): Fix => ({
      label: `Its layout is ${layoutName(id)}`,
      apply: (current) => setComputer(current, { ...current.computer, layout: id }),
    }))
  return [
    error(
      'untypable',
      cell(where.layer, where.input.id),
      `${placeName(profile, where)}: ${typedOnText(profile.computer)} cannot type ${missing.slice(0, 5).join(' ')}`,
      [...fixes, clear(model, where)],
    ),
  ]
})

/** A Mac goes by what kind of keyboard it was told this is, and takes two keys one for the other. */
const doubtfulKeys = forEachAction((action, where, profile) => {
  const characters = doubtfulOnMac(typedText(action, profile), profile.computer)
  return characters.length === 0
    ? []
    : [
        warning(
          'mac-characters',
          cell(where.layer, where.input.id),
          `${placeName(profile, where)}: ${characters.slice(0, 5).join(' ')} will be right on a Mac that knows this keyboard as an ${macKind(profile.computer.layout)} one; otherwise it takes two keys one for the other`,
        ),
      ]
})

const sameName: Check = (profile, model) => {
  const seen = new Map<string, PlacedBinding>()
  return placedBindings(profile, model).flatMap((where) => {
    const key = where.binding.name?.toLowerCase()
    const first = key === undefined ? undefined : seen.get(key)
    if (key !== undefined && !first) seen.set(key, where)
    // One name for the same keys at two places is one thing in the game at two places.
    if (!first || JSON.stringify(first.binding.action) === JSON.stringify(where.binding.action)) return []
    const fix = {
      label: `Take the name off ${placeName(profile, where)}`,
      apply: (current: Profile) => setWords(current, model, where.layer, where.input.id, { name: '' }),
    }
    return [
      warning(
        'same-name',
        cell(where.layer, where.input.id),
        `“${where.binding.name}” is the name of ${placeName(profile, first)} and of ${placeName(profile, where)}, which do different things`,
        [fix],
      ),
    ]
  })
}

const takenByConnection: Check = (profile, model) =>
  model.connections.flatMap(({ name, without }) =>
    (without?.inputs ?? []).flatMap((inputId) =>
      profile.layers.flatMap((_, layer) => {
        const input = model.inputs.find(({ id }) => id === inputId)
        const binding = input && bindingOn(profile, layer, inputId)
        if (!input || !binding) return []
        const at = placeName(profile, { layer, input })
        const message = `${at} does nothing of this over ${name}: ${without?.because}`
        return [warning('connection-input', cell(layer, inputId), message)]
      }),
    ),
  )

export const CHECKS_OF_BINDINGS: readonly Check[] = [
  ...[leftClick, strangeInputs, missingStep, missingSlot, withoutSystem, untypableText],
  ...[doubtfulKeys, sameName, takenByConnection],
]
