import type { DeviceModel } from '../device/model'
import { connectionById, inputById } from '../device/lookups'
import { dpiProblem } from '../motion/steps'
import { actionText } from './action-text'
import { actionOf, factoryAction, leftClicks } from './profile'
import { profileNameSchema, type Action, type Effect, type Profile } from './schema'
import { HEX_COLOUR } from '../light/colour'
import { ValidationError } from 'yup'

/**
 * Every edit of a profile: a pure function from one immutable profile to the next. One that may not be done
 * throws {@link EditRefused} with the reason, in words for the person.
 */
export class EditRefused extends Error {
  override name = 'EditRefused'
}

/** @throws EditRefused for a name that is empty or too long */
export function rename(profile: Profile, name: string): Profile {
  try {
    return { ...profile, name: profileNameSchema.validateSync(name.trim()) }
  } catch (error) {
    if (error instanceof ValidationError) throw new EditRefused(capital(error.message))
    throw error
  }
}

/**
 * Binds an action to an input on a layer; the factory's own action takes the binding away again.
 *
 * @throws EditRefused when it would take the last left click off the base layer, or nothing of that name is there
 */
export const bind = (
  profile: Profile,
  model: DeviceModel,
  layerIndex: number,
  inputId: string,
  action: Action,
): Profile => bindAll(profile, model, layerIndex, [[inputId, action]])

/**
 * Binds several inputs at once. What counts is how it ends: two inputs may swap the only left click.
 *
 * @throws EditRefused as {@link bind} does; then nothing of it was done
 */
export function bindAll(
  profile: Profile,
  model: DeviceModel,
  layerIndex: number,
  entries: readonly (readonly [inputId: string, action: Action])[],
): Profile {
  const layer = profile.layers[layerIndex]
  if (!layer) throw new EditRefused(`There is no layer ${layerIndex + 1}`)
  const bindings = new Map(Object.entries(layer.bindings))
  for (const [inputId, action] of entries) {
    const input = inputById(model, inputId)
    if (!input) throw new EditRefused(`${model.name} has no input “${inputId}”`)
    if (sameAction(action, factoryAction(input))) bindings.delete(inputId)
    else bindings.set(inputId, { action })
  }
  const sortedBindings = Object.fromEntries([...bindings].sort(([a], [b]) => (a < b ? -1 : 1)))
  const bound = { ...layer, bindings: sortedBindings }
  const before = leftClicks(model, layer)
  if (layerIndex === 0 && before.length > 0 && leftClicks(model, bound).length === 0) {
    const lost = entries.find(([inputId]) => before.some(({ id }) => id === inputId))
    const what = lost ? actionText(lost[1]) : 'this'
    throw new EditRefused(
      `${before[0].name} is the only left click. Put Left click on another button first, then ${what} can go here.`,
    )
  }
  return { ...profile, layers: profile.layers.map((each, index) => (index === layerIndex ? bound : each)) }
}

/** Gives each input what its mirror does on every layer, for the other hand; twice is as before. */
export function mirrorBindings(profile: Profile, model: DeviceModel): Profile {
  const pairs = model.inputs.flatMap((input) => {
    const mirror = input.mirror === undefined ? undefined : inputById(model, input.mirror)
    return mirror ? [{ input, mirror }] : []
  })
  if (pairs.length === 0) throw new EditRefused(`${model.name} has no inputs that are each other’s mirror`)
  return profile.layers.reduce(
    (mirrored, layer, index) =>
      bindAll(
        mirrored,
        model,
        index,
        pairs.map(({ input, mirror }) => [input.id, actionOf(layer, mirror)] as const),
      ),
    profile,
  )
}

/** Two actions that do the same. */
export const sameAction = (a: Action, b: Action): boolean =>
  JSON.stringify(sorted(a)) === JSON.stringify(sorted(b))

const sorted = (action: Action) => Object.entries(action).sort(([a], [b]) => (a < b ? -1 : 1))

/** @throws EditRefused for a DPI the sensor cannot be set to, or a colour that is none */
export function setStep(
  profile: Profile,
  model: DeviceModel,
  index: number,
  change: { dpi?: number; colour?: string },
): Profile {
  if (!profile.steps[index]) throw new EditRefused(`There is no step ${index + 1}`)
  const problem = change.dpi === undefined ? undefined : dpiProblem(model.sensor, change.dpi)
  if (problem) throw new EditRefused(`${capital(problem)} on ${model.name}`)
  if (change.colour !== undefined && !HEX_COLOUR.test(change.colour)) {
    throw new EditRefused(`“${change.colour}” is not a colour; write it as #rrggbb`)
  }
  const next = { ...change, ...(change.colour && { colour: change.colour.toLowerCase() }) }
  return {
    ...profile,
    steps: profile.steps.map((step, each) => (each === index ? { ...step, ...next } : step)),
  }
}

/** Adds a step after the last. @throws EditRefused when the sensor holds no more, or for a bad step */
export function addStep(
  profile: Profile,
  model: DeviceModel,
  step: { dpi: number; colour: string },
): Profile {
  if (profile.steps.length >= model.sensor.maxSteps) {
    throw new EditRefused(`${model.name} keeps ${model.sensor.maxSteps} steps; remove one to add another`)
  }
  return setStep({ ...profile, steps: [...profile.steps, step] }, model, profile.steps.length, step)
}

/** Takes a step away; the default stays on the step it was on, or goes to the nearest left. @throws EditRefused for the last one */
export function removeStep(profile: Profile, index: number): Profile {
  if (profile.steps.length === 1) throw new EditRefused('At least one step stays')
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
    steps: order.map((index) => profile.steps[index]),
    defaultStep: order.indexOf(profile.defaultStep),
  }
}

/** @throws EditRefused when there is no such step */
export function setDefaultStep(profile: Profile, index: number): Profile {
  if (!profile.steps[index]) throw new EditRefused(`There is no step ${index + 1}`)
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
    throw new EditRefused(
      `${model.name} cannot be polled at ${rateHz} Hz over ${connection?.name ?? connectionId}`,
    )
  }
  return { ...profile, polling: { ...profile.polling, [connectionId]: rateHz } }
}

/** @throws EditRefused for a zone the device does not have */
export function setEffect(profile: Profile, model: DeviceModel, zoneId: string, effect: Effect): Profile {
  if (!model.zones.some((zone) => zone.id === zoneId))
    throw new EditRefused(`${model.name} has no zone “${zoneId}”`)
  return { ...profile, light: { ...profile.light, [zoneId]: effect } }
}

const capital = (words: string): string => words[0].toUpperCase() + words.slice(1)
