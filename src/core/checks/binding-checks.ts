import { baseLayer } from '../document/base-layer'
import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import { bind, setComputer, setBindingText, unbind } from '../edits/edits'
import { typedText } from './typed-characters'
import {
  cellPlace,
  bindingPlace,
  errorFinding,
  createFix,
  nameInput,
  warningFinding,
  type Check,
  type Finding,
  type Fix,
} from './finding'
import {
  bindingOn,
  leftClicks,
  singleActions,
  placedBindings,
  unknownInputBindings,
  type PlacedBinding,
} from '../terms/profile'
import type { Profile, SingleAction } from '../document/schema'
import { OPERATING_SYSTEMS, shortcutById } from '../computer/shortcuts'
import { uncertainOnMac, layoutsFor, untypableCharacters } from '../computer/typing'

/** Rules for the actions of inputs. */

/** Returns a finding for each single action of a profile that `find` reports. */
const forEachAction =
  (
    find: (action: SingleAction, where: PlacedBinding, profile: Profile, model: DeviceModel) => Finding[],
  ): Check =>
  (profile, model) =>
    placedBindings(profile, model).flatMap((where) =>
      singleActions(where.binding.action).flatMap((action) => find(action, where, profile, model)),
    )

const clear = (model: DeviceModel, { layer, input }: PlacedBinding): Fix =>
  createFix(layer === 0 ? 'factory' : 'below', undefined, (profile) =>
    unbind(profile, model, layer, input.id),
  )

const leftClick: Check = (profile, model) => {
  if (model.kind !== 'mouse' || leftClicks(model, baseLayer(profile)).length > 0) return []
  const input = model.inputs.find(({ role }) => role === 'primary') ?? itemAt(model.inputs, 0)
  const apply = (current: Profile) =>
    bind(current, model, 0, input.id, { kind: 'button', button: 1, clicks: 1 })
  return [
    errorFinding('left-click', cellPlace(0, input.id), undefined, [
      createFix('left-click', { input: input.name }, apply),
    ]),
  ]
}

const strangeInputs: Check = (profile, model) =>
  unknownInputBindings(profile, model).map(({ layer, inputId }) =>
    errorFinding('input', { view: 'buttons', at: { layer } }, { model: model.name, input: inputId }),
  )

const missingStep = forEachAction((action, where, profile, { sensor, name }) => {
  const step =
    action.kind === 'step' ? action.to : action.kind === 'hold-step' && 'step' in action ? action.step : 0
  if (action.kind !== 'step' && action.kind !== 'hold-step') return []
  const facts = { where: nameInput(profile, where), model: name }
  if (!sensor) return [errorFinding('no-sensor', bindingPlace(where), facts)]
  const steps = profile.steps.length
  return typeof step === 'number' && step > steps
    ? [warningFinding('chosen-step', bindingPlace(where), { ...facts, step, steps })]
    : []
})

const missingSlot = forEachAction((action, where, profile, { memory, name }) =>
  action.kind === 'slot' && typeof action.to === 'number' && action.to > memory.slots
    ? [
        errorFinding('chosen-slot', bindingPlace(where), {
          where: nameInput(profile, where),
          model: name,
          slot: action.to,
          slots: memory.slots,
        }),
      ]
    : [],
)

const systemFixes = (profile: Profile): Fix[] =>
  OPERATING_SYSTEMS.filter((system) => system !== profile.computer.system).map((system) =>
    createFix('system', { system }, (current) => setComputer(current, { ...current.computer, system })),
  )

const withoutSystem = forEachAction((action, where, profile, model) => {
  const { system } = profile.computer
  const facts = { where: nameInput(profile, where) }
  if (action.kind === 'open' && !system)
    return [errorFinding('system-opening', bindingPlace(where), facts, systemFixes(profile))]
  if (action.kind !== 'shortcut') return []
  const { label: shortcut, keys } = shortcutById(action.shortcut) ?? { label: action.shortcut, keys: {} }
  if (!system)
    return [
      errorFinding('system-shortcut', bindingPlace(where), { ...facts, shortcut }, systemFixes(profile)),
    ]
  return keys[system]
    ? []
    : [errorFinding('shortcut', bindingPlace(where), { ...facts, shortcut, system }, [clear(model, where)])]
})

const untypableText = forEachAction((action, where, profile, model) => {
  const text = typedText(action, profile)
  const characters = untypableCharacters(text, profile.computer)
  if (characters.length === 0) return []
  const fixes = layoutsFor(text, profile.computer)
    .slice(0, 2)
    .map((layout) =>
      createFix('layout', { layout }, (current) => setComputer(current, { ...current.computer, layout })),
    )
  const facts = { where: nameInput(profile, where), characters, computer: profile.computer }
  return [errorFinding('untypable', bindingPlace(where), facts, [...fixes, clear(model, where)])]
})

/** A Mac swaps two keys if it was told a different keyboard type. */
const doubtfulKeys = forEachAction((action, where, profile) => {
  const characters = uncertainOnMac(typedText(action, profile), profile.computer)
  const { layout } = profile.computer
  return characters.length === 0
    ? []
    : [
        warningFinding('mac-characters', bindingPlace(where), {
          where: nameInput(profile, where),
          characters,
          layout,
        }),
      ]
})

const sameName: Check = (profile, model) => {
  const seen = new Map<string, PlacedBinding>()
  return placedBindings(profile, model).flatMap((where) => {
    const key = where.binding.name?.toLowerCase()
    const first = key === undefined ? undefined : seen.get(key)
    if (key !== undefined && !first) seen.set(key, where)
    // Two places with the same in-game name must send the same keys.
    if (!first || JSON.stringify(first.binding.action) === JSON.stringify(where.binding.action)) return []
    const facts = {
      where: nameInput(profile, where),
      first: nameInput(profile, first),
      name: where.binding.name ?? '',
    }
    const unname = (current: Profile) =>
      setBindingText(current, model, where.layer, where.input.id, { name: '' })
    return [
      warningFinding('same-name', bindingPlace(where), facts, [
        createFix('unname', { where: facts.where }, unname),
      ]),
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
        const facts = {
          where: nameInput(profile, { layer, input }),
          connection: name,
          because: without?.because ?? '',
        }
        return [warningFinding('connection-input', cellPlace(layer, inputId), facts)]
      }),
    ),
  )

export const BINDING_CHECKS: readonly Check[] = [
  ...[leftClick, strangeInputs, missingStep, missingSlot, withoutSystem, untypableText],
  ...[doubtfulKeys, sameName, takenByConnection],
]
