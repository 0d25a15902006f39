import type { DeviceInput, DeviceModel, InputRole } from '../device/model'
import type { Command, Program } from '../document/program'
import type { Profile } from '../document/schema'
import { bind } from '../edits/edits'
import { commandAction } from '../terms/commands'
import { coverageOf, type SetUpDevice } from './coverage'

/** Inputs that a thumb or a resting finger reaches without moving the hand, the easiest first. */
const EASY_ROLES: readonly InputRole[] = [
  'forward',
  'back',
  ...Array.from({ length: 12 }, (_, index): InputRole => `thumb-${index + 1}`),
  'upper',
  'upper-2',
]

/** Keys under the fingers of the other hand, which need no other place. */
const RESTING = new Set([
  'KeyW',
  'KeyA',
  'KeyS',
  'KeyD',
  'Space',
  'ShiftLeft',
  'ControlLeft',
  'Tab',
  'Escape',
])

/** The easy inputs of a model without an own binding on the base layer. */
export function easyInputs(model: DeviceModel, profile: Profile): DeviceInput[] {
  const bindings = profile.layers[0]?.bindings ?? {}
  return EASY_ROLES.flatMap((role) =>
    model.inputs.filter((input) => input.role === role && input.kind === 'press' && !bindings[input.id]),
  )
}

/** Commands worth an easy input: important ones with a key that no resting finger has, the most used first. */
export function commandsToPlace(program: Program, devices: readonly SetUpDevice[]): Command[] {
  return coverageOf(program, devices)
    .filter(({ command, places }) => {
      const [key] = command.keys
      const linked = places.some((on) => on.some((place) => place.linked))
      const rests = key?.kind === 'key' && key.modifiers.length === 0 && RESTING.has(key.code)
      return command.importance === 3 && key?.kind === 'key' && !rests && !linked
    })
    .map(({ command }) => command)
    .sort((a, b) => (b.perHour ?? 0) - (a.perHour ?? 0))
}

/**
 * Places important commands on easy inputs of mice, the most used first. Bound inputs stay as they are.
 *
 * @returns the profiles in the order of the devices; the same objects where nothing was placed
 */
export function placeCommands(program: Program, devices: readonly SetUpDevice[]): Profile[] {
  const waiting = commandsToPlace(program, devices)
  return devices.map(({ model, profile }) => {
    if (model.kind !== 'mouse') return profile
    return easyInputs(model, profile).reduce((placed, input) => {
      const command = waiting.shift()
      return command
        ? bind(placed, model, 0, input.id, commandAction(program, command, profile.computer))
        : placed
    }, profile)
  })
}
