import { baseLayer } from '../document/base-layer'
import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import { bind, setComputer, setWords, unbind } from '../edits/edits'
import { typedText } from './typed-characters'
import { cell, cellOf, error, fix, named, warning, type Check, type Finding, type Fix } from './finding'
import {
  bindingOn,
  leftClicks,
  partsOf,
  placedBindings,
  strangeBindings,
  type PlacedBinding,
} from '../terms/profile'
import type { Profile, SingleAction } from '../document/schema'
import { OPERATING_SYSTEMS, shortcutById } from '../computer/shortcuts'
import { doubtfulOnMac, layoutsFor, untypable } from '../computer/typing'

/** Rules about what inputs do. */

/** One finding for each single action of a profile that `find` has something to say of. */
const forEachAction =
  (
    find: (action: SingleAction, where: PlacedBinding, profile: Profile, model: DeviceModel) => Finding[],
  ): Check =>
  (profile, model) =>
    placedBindings(profile, model).flatMap((where) =>
      partsOf(where.binding.action).flatMap((action) => find(action, where, profile, model)),
    )

const clear = (model: DeviceModel, { layer, input }: PlacedBinding): Fix =>
  fix(layer === 0 ? 'factory' : 'below', undefined, (profile) => unbind(profile, model, layer, input.id))

const leftClick: Check = (profile, model) => {
  if (model.kind !== 'mouse' || leftClicks(model, baseLayer(profile)).length > 0) return []
  const input = model.inputs.find(({ role }) => role === 'primary') ?? itemAt(model.inputs, 0)
  const apply = (current: Profile) =>
    bind(current, model, 0, input.id, { kind: 'button', button: 1, clicks: 1 })
  return [
    error('left-click', cell(0, input.id), undefined, [fix('left-click', { input: input.name }, apply)]),
  ]
}

const strangeInputs: Check = (profile, model) =>
  strangeBindings(profile, model).map(({ layer, inputId }) =>
    error('input', { view: 'buttons', at: { layer } }, { model: model.name, input: inputId }),
  )

const missingStep = forEachAction((action, where, profile, { sensor, name }) => {
  const step =
    action.kind === 'step' ? action.to : action.kind === 'hold-step' && 'step' in action ? action.step : 0
  if (action.kind !== 'step' && action.kind !== 'hold-step') return []
  const facts = { where: named(profile, where), model: name }
  if (!sensor) return [error('no-sensor', cellOf(where), facts)]
  const steps = profile.steps.length
  return typeof step === 'number' && step > steps
    ? [warning('chosen-step', cellOf(where), { ...facts, step, steps })]
    : []
})

const missingSlot = forEachAction((action, where, profile, { memory, name }) =>
  action.kind === 'slot' && typeof action.to === 'number' && action.to > memory.slots
    ? [
        error('chosen-slot', cellOf(where), {
          where: named(profile, where),
          model: name,
          slot: action.to,
          slots: memory.slots,
        }),
      ]
    : [],
)

const systemFixes = (profile: Profile): Fix[] =>
  OPERATING_SYSTEMS.filter((system) => system !== profile.computer.system).map((system) =>
    fix('system', { system }, (current) => setComputer(current, { ...current.computer, system })),
  )

const withoutSystem = forEachAction((action, where, profile, model) => {
  const { system } = profile.computer
  const facts = { where: named(profile, where) }
  if (action.kind === 'open' && !system)
    return [error('system-opening', cellOf(where), facts, systemFixes(profile))]
  if (action.kind !== 'shortcut') return []
  const { label: shortcut, keys } = shortcutById(action.shortcut) ?? { label: action.shortcut, keys: {} }
  if (!system) return [error('system-shortcut', cellOf(where), { ...facts, shortcut }, systemFixes(profile))]
  return keys[system]
    ? []
    : [error('shortcut', cellOf(where), { ...facts, shortcut, system }, [clear(model, where)])]
})

const untypableText = forEachAction((action, where, profile, model) => {
  const text = typedText(action, profile)
  const characters = untypable(text, profile.computer)
  if (characters.length === 0) return []
  const fixes = layoutsFor(text, profile.computer)
    .slice(0, 2)
    .map((layout) =>
      fix('layout', { layout }, (current) => setComputer(current, { ...current.computer, layout })),
    )
  const facts = { where: named(profile, where), characters, computer: profile.computer }
  return [error('untypable', cellOf(where), facts, [...fixes, clear(model, where)])]
})

/** A Mac goes by what kind of keyboard it was told this is, and takes two keys one for the other. */
const doubtfulKeys = forEachAction((action, where, profile) => {
  const characters = doubtfulOnMac(typedText(action, profile), profile.computer)
  const { layout } = profile.computer
  return characters.length === 0
    ? []
    : [warning('mac-characters', cellOf(where), { where: named(profile, where), characters, layout })]
})

const sameName: Check = (profile, model) => {
  const seen = new Map<string, PlacedBinding>()
  return placedBindings(profile, model).flatMap((where) => {
    const key = where.binding.name?.toLowerCase()
    const first = key === undefined ? undefined : seen.get(key)
    if (key !== undefined && !first) seen.set(key, where)
    // One name for the same keys at two places is one thing in the game at two places.
    if (!first || JSON.stringify(first.binding.action) === JSON.stringify(where.binding.action)) return []
    const facts = {
      where: named(profile, where),
      first: named(profile, first),
      name: where.binding.name ?? '',
    }
    const unname = (current: Profile) => setWords(current, model, where.layer, where.input.id, { name: '' })
    return [warning('same-name', cellOf(where), facts, [fix('unname', { where: facts.where }, unname)])]
  })
}

const takenByConnection: Check = (profile, model) =>
  model.connections.flatMap(({ name, without }) =>
    (without?.inputs ?? []).flatMap((inputId) =>
      profile.layers.flatMap((_, layer) => {
        const input = model.inputs.find(({ id }) => id === inputId)
        const binding = input && bindingOn(profile, layer, inputId)
        if (!input || !binding) return []
        const facts = {
          where: named(profile, { layer, input }),
          connection: name,
          because: without?.because ?? '',
        }
        return [warning('connection-input', cell(layer, inputId), facts)]
      }),
    ),
  )

export const CHECKS_OF_BINDINGS: readonly Check[] = [
  ...[leftClick, strangeInputs, missingStep, missingSlot, withoutSystem, untypableText],
  ...[doubtfulKeys, sameName, takenByConnection],
]
