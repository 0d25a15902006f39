import { itemAt } from '../base/items'
import { connectionById } from '../device/lookups'
import type { DeviceModel } from '../device/model'
import { HEX_COLOUR } from '../base/colour'
import type { DeviceSettings } from '../onboard/settings'
import { dpiProblem } from '../motion/steps'
import { settingProblems, withoutFactory } from '../document/device-settings'
import { checked } from './edits'
import { EditRefused } from '../wording/refused'
import { stepNameSchema, type Profile, type Step } from '../document/schema'

/** Edits of steps, polling rates and finer settings. Rules as in edits.ts. */

/** The sensor of a model. @throws EditRefused for a device that does not move */
function sensorOf({ sensor, name }: DeviceModel) {
  if (!sensor) throw new EditRefused('no-sensor', { model: name })
  return sensor
}

/** What a step may be changed to; a `dpiY` of `dpi`, and an empty name, are taken away. */
export interface StepChange {
  dpi?: number
  dpiY?: number
  colour?: string
  name?: string
}

/** @throws EditRefused for a DPI the sensor cannot be set to, a colour that is none, or a name that is too long */
export function setStep(profile: Profile, model: DeviceModel, index: number, change: StepChange): Profile {
  const before = profile.steps[index]
  if (!before) throw new EditRefused('no-step', { step: index + 1 })
  const after = stepWith(before, model, change)
  return { ...profile, steps: profile.steps.map((step, each) => (each === index ? after : step)) }
}

function stepWith(before: Step, model: DeviceModel, change: StepChange): Step {
  const sensor = sensorOf(model)
  for (const dpi of [change.dpi, change.dpiY]) {
    const problem = dpi === undefined ? undefined : dpiProblem(sensor, dpi)
    if (problem) throw new EditRefused('step', { problem, model: model.name })
  }
  if (change.dpiY !== undefined && !sensor.splitAxes)
    throw new EditRefused('split-axes', { model: model.name })
  if (change.colour !== undefined && !HEX_COLOUR.test(change.colour))
    throw new EditRefused('colour', { colour: change.colour })
  if (change.name?.trim()) checked(stepNameSchema, change.name.trim())
  const { dpi, dpiY, colour, name } = { ...before, ...change }
  return {
    dpi,
    colour: colour.toLowerCase(),
    ...(dpiY !== undefined && dpiY !== dpi && { dpiY }),
    ...(name?.trim() && { name: name.trim() }),
  }
}

/** Adds a step after the last. @throws EditRefused when the sensor holds no more, or for a bad step */
export function addStep(profile: Profile, model: DeviceModel, step: Step): Profile {
  const { maxSteps } = sensorOf(model)
  if (profile.steps.length >= maxSteps)
    throw new EditRefused('most-steps', { model: model.name, most: maxSteps })
  return { ...profile, steps: [...profile.steps, stepWith(step, model, step)] }
}

/**
 * As many steps as given, of those DPI; a step keeps its colour and name, and is alike across and along.
 *
 * @param colours for steps there were not before, in order
 * @throws EditRefused for more than the sensor holds, or a DPI it cannot be set to
 */
export function setStepsDpi(
  profile: Profile,
  model: DeviceModel,
  dpis: readonly number[],
  colours: readonly string[],
): Profile {
  const { maxSteps } = sensorOf(model)
  if (dpis.length > maxSteps || dpis.length === 0)
    throw new EditRefused('so-many-steps', { model: model.name, most: maxSteps, steps: dpis.length })
  const steps = dpis.map((dpi, index) => {
    const { colour, name } = profile.steps[index] ?? { colour: itemAt(colours, index % colours.length) }
    return stepWith({ dpi, colour, ...(name && { name }) }, model, { dpi })
  })
  return { ...profile, steps, defaultStep: Math.min(profile.defaultStep, steps.length - 1) }
}

/** Takes a step away; the default stays on the step it was on, or goes to the nearest left. @throws EditRefused for the last one */
export function removeStep(profile: Profile, index: number): Profile {
  if (profile.steps.length === 1) throw new EditRefused('last-step')
  const steps = profile.steps.filter((_, each) => each !== index)
  const earlier = profile.defaultStep > index ? profile.defaultStep - 1 : profile.defaultStep
  return { ...profile, steps, defaultStep: Math.min(earlier, steps.length - 1) }
}

/** Moves a step to another place; the default moves with its step. */
export function moveStep(profile: Profile, from: number, to: number): Profile {
  const order = profile.steps.map((_, index) => index)
  const place = Math.max(0, Math.min(to, order.length - 1))
  order.splice(place, 0, ...order.splice(from, 1))
  return {
    ...profile,
    steps: order.map((index) => itemAt(profile.steps, index)),
    defaultStep: order.indexOf(profile.defaultStep),
  }
}

/** @throws EditRefused when there is no such step */
export function setDefaultStep(profile: Profile, index: number): Profile {
  if (!profile.steps[index]) throw new EditRefused('no-step', { step: index + 1 })
  return { ...profile, defaultStep: index }
}

/** @throws EditRefused for a rate the connection does not have */
export function setPolling(
  profile: Profile,
  model: DeviceModel,
  connectionId: string,
  rateHz: number,
): Profile {
  const connection = connectionById(model, connectionId)
  if (!connection?.configurable || !connection.ratesHz.includes(rateHz)) {
    throw new EditRefused('rate', {
      model: model.name,
      rate: rateHz,
      connection: connection?.name ?? connectionId,
    })
  }
  return { ...profile, polling: { ...profile.polling, [connectionId]: rateHz } }
}

/**
 * Finer settings of the device; one that is as the factory set it is not kept.
 *
 * @throws EditRefused for one the device does not have, or a value it cannot take
 */
export function setSettings(profile: Profile, model: DeviceModel, change: DeviceSettings): Profile {
  const problem = settingProblems(change, model).at(0)
  if (problem) throw new EditRefused('setting', problem)
  return { ...profile, settings: withoutFactory({ ...profile.settings, ...change }, model) }
}
