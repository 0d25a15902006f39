import { clamp } from '../base/numbers'
import { itemAt } from '../base/items'
import { connectionById } from '../device/lookups'
import type { DeviceModel } from '../device/model'
import { HEX_COLOUR } from '../base/colour'
import type { DeviceSettings } from '../onboard/settings'
import { dpiProblem } from '../motion/steps'
import { settingProblems, removeFactoryValues } from '../document/device-settings'
import { validateEdit } from './edits'
import { EditRefused } from '../wording/edit-refused'
import { stepNameSchema, type Profile, type Step } from '../document/schema'

/** Edits of steps, polling rates and device settings. The rules of edits.ts apply. */

/** The sensor of a model. @throws EditRefused for a device without one */
function sensorOf({ sensor, name }: DeviceModel) {
  if (!sensor) throw new EditRefused('no-sensor', { model: name })
  return sensor
}

/** Changes of a step; a `dpiY` equal to `dpi`, or an empty name, is removed. */
export interface StepChange {
  dpi?: number
  dpiY?: number
  colour?: string
  name?: string
}

/** @throws EditRefused for a DPI that the sensor does not support, an invalid colour, or a name that is too long */
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
  if (change.name?.trim()) validateEdit(stepNameSchema, change.name.trim())
  const { dpi, dpiY, colour, name } = { ...before, ...change }
  return {
    dpi,
    colour: colour.toLowerCase(),
    ...(dpiY !== undefined && dpiY !== dpi && { dpiY }),
    ...(name?.trim() && { name: name.trim() }),
  }
}

/** Adds a step after the last. @throws EditRefused if the sensor cannot store more, or for an invalid step */
export function addStep(profile: Profile, model: DeviceModel, step: Step): Profile {
  const { maxSteps } = sensorOf(model)
  if (profile.steps.length >= maxSteps)
    throw new EditRefused('most-steps', { model: model.name, max: maxSteps })
  return { ...profile, steps: [...profile.steps, stepWith(step, model, step)] }
}

/**
 * Replaces the steps by some with these DPI values; existing steps keep their colour and name and use the same DPI for
 * X and Y.
 *
 * @param colours for additional steps, in order
 * @throws EditRefused for too many steps, or a DPI that the sensor does not support
 */
export function setStepsDpi(
  profile: Profile,
  model: DeviceModel,
  dpis: readonly number[],
  colours: readonly string[],
): Profile {
  const { maxSteps } = sensorOf(model)
  if (dpis.length > maxSteps || dpis.length === 0)
    throw new EditRefused('so-many-steps', { model: model.name, max: maxSteps, steps: dpis.length })
  const steps = dpis.map((dpi, index) => {
    const { colour, name } = profile.steps[index] ?? { colour: itemAt(colours, index % colours.length) }
    return stepWith({ dpi, colour, ...(name && { name }) }, model, { dpi })
  })
  return { ...profile, steps, defaultStep: Math.min(profile.defaultStep, steps.length - 1) }
}

/**
 * Removes a step; the default stays on its step, or moves to the nearest remaining one. @throws EditRefused for the
 * last one
 */
export function removeStep(profile: Profile, index: number): Profile {
  if (profile.steps.length === 1) throw new EditRefused('last-step')
  const steps = profile.steps.filter((_, each) => each !== index)
  const earlier = profile.defaultStep > index ? profile.defaultStep - 1 : profile.defaultStep
  return { ...profile, steps, defaultStep: Math.min(earlier, steps.length - 1) }
}

/** Moves a step to another index; the default moves with its step. */
export function moveStep(profile: Profile, from: number, to: number): Profile {
  const order = profile.steps.map((_, index) => index)
  const place = clamp(to, 0, order.length - 1)
  order.splice(place, 0, ...order.splice(from, 1))
  return {
    ...profile,
    steps: order.map((index) => itemAt(profile.steps, index)),
    defaultStep: order.indexOf(profile.defaultStep),
  }
}

/** @throws EditRefused if the step does not exist */
export function setDefaultStep(profile: Profile, index: number): Profile {
  if (!profile.steps[index]) throw new EditRefused('no-step', { step: index + 1 })
  return { ...profile, defaultStep: index }
}

/** @throws EditRefused for a rate that the connection does not support */
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
 * Changes device settings; values that equal factory settings are not stored.
 *
 * @throws EditRefused for a setting that the device does not have, or a value it does not support
 */
export function setSettings(profile: Profile, model: DeviceModel, change: DeviceSettings): Profile {
  const problem = settingProblems(change, model).at(0)
  if (problem) throw new EditRefused('setting', problem)
  return { ...profile, settings: removeFactoryValues({ ...profile.settings, ...change }, model) }
}
