import { inputById, slotCapacity } from '../device/lookups'
import type { DeviceModel } from '../device/model'
import { dpiProblem } from '../motion/steps'
import { actionOf, leftClicks } from './profile'
import type { Profile } from './schema'

/** One thing the rules found in a profile. An error keeps it from being written; a warning does not. */
export interface Finding {
  rule: string
  severity: 'error' | 'warning'
  message: string
  /** View in which it can be mended. */
  view: 'buttons' | 'motion' | 'light'
}

type Check = (profile: Profile, model: DeviceModel) => Finding[]

/**
 * Runs every check that needs no bytes. Errors first.
 *
 * @param profile a profile that passed its schema
 * @param model the model it is for
 */
export function checkProfile(profile: Profile, model: DeviceModel): Finding[] {
  const findings = CHECKS.flatMap((check) => check(profile, model))
  return findings.sort((a, b) => Number(b.severity === 'error') - Number(a.severity === 'error'))
}

/** The finding for an image that is larger than a slot, with what would free the room. */
export function checkSize(bytes: number, model: DeviceModel): Finding[] {
  const capacity = slotCapacity(model.memory)
  if (bytes <= capacity) return []
  const message = `The image takes ${bytes} B, ${bytes - capacity} B more than a slot of ${model.name} holds`
  return [{ rule: 'size', severity: 'error', message, view: 'buttons' }]
}

const error = (rule: string, view: Finding['view'], message: string): Finding => ({
  rule,
  severity: 'error',
  message,
  view,
})
const warning = (rule: string, view: Finding['view'], message: string): Finding => ({
  rule,
  severity: 'warning',
  message,
  view,
})

const leftClick: Check = (profile, model) =>
  model.kind === 'mouse' && leftClicks(model, profile.layers[0]).length === 0
    ? [error('left-click', 'buttons', 'No button gives a left click on the base layer')]
    : []

const strangeInputs: Check = (profile, model) =>
  Object.keys(profile.layers[0].bindings)
    .filter((id) => !inputById(model, id))
    .map((id) => error('input', 'buttons', `${model.name} has no input “${id}”`))

const stepRange: Check = (profile, model) => {
  const found = profile.steps.flatMap(({ dpi }, index) => {
    const problem = dpiProblem(model.sensor, dpi)
    return problem ? [error('step', 'motion', `Step ${index + 1} is ${dpi} DPI: ${problem}`)] : []
  })
  if (profile.steps.length > model.sensor.maxSteps) {
    found.push(
      error('steps', 'motion', `${profile.steps.length} steps; ${model.name} keeps ${model.sensor.maxSteps}`),
    )
  }
  if (profile.defaultStep >= profile.steps.length) {
    found.push(
      error('default-step', 'motion', `Step ${profile.defaultStep + 1} is the default and does not exist`),
    )
  }
  return found
}

const sameSteps: Check = (profile) =>
  profile.steps.flatMap(({ dpi }, index) => {
    const earlier = profile.steps.findIndex((step) => step.dpi === dpi)
    return earlier < index
      ? [warning('same-step', 'motion', `Steps ${earlier + 1} and ${index + 1} are both ${dpi} DPI`)]
      : []
  })

const missingStep: Check = (profile, model) =>
  model.inputs.flatMap((input) => {
    const action = actionOf(profile.layers[0], input)
    return action.kind === 'step' && typeof action.to === 'number' && action.to > profile.steps.length
      ? [
          warning(
            'chosen-step',
            'buttons',
            `${input.name} chooses step ${action.to}; the profile has ${profile.steps.length}`,
          ),
        ]
      : []
  })

const missingSlot: Check = (profile, model) =>
  model.inputs.flatMap((input) => {
    const action = actionOf(profile.layers[0], input)
    return action.kind === 'slot' && typeof action.to === 'number' && action.to > model.memory.slots
      ? [
          error(
            'chosen-slot',
            'buttons',
            `${input.name} chooses slot ${action.to}; ${model.name} has ${model.memory.slots}`,
          ),
        ]
      : []
  })

const rates: Check = (profile, model) => {
  const configurable = model.connections.filter((connection) => connection.configurable)
  const strange = Object.keys(profile.polling).filter(
    (id) => !configurable.some((connection) => connection.id === id),
  )
  return [
    ...strange.map((id) =>
      error('connection', 'motion', `${model.name} has no polling rate to set for “${id}”`),
    ),
    ...configurable.flatMap(({ id, name, ratesHz }) =>
      ratesHz.includes(profile.polling[id])
        ? []
        : [
            error(
              'rate',
              'motion',
              `${name}: ${profile.polling[id] ?? 'no'} Hz; there are ${ratesHz.join(', ')}`,
            ),
          ],
    ),
  ]
}

const zones: Check = (profile, model) => [
  ...Object.keys(profile.light)
    .filter((id) => !model.zones.some((zone) => zone.id === id))
    .map((id) => error('zone', 'light', `${model.name} has no zone “${id}”`)),
  ...model.zones
    .filter((zone) => !profile.light[zone.id])
    .map((zone) => error('zone', 'light', `${zone.name} has no effect`)),
]

const CHECKS: Check[] = [
  leftClick,
  strangeInputs,
  stepRange,
  sameSteps,
  missingStep,
  missingSlot,
  rates,
  zones,
]
