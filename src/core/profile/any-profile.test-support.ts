import fc from 'fast-check'
import type { DeviceModel } from '../device/model'
import { BUTTON_COUNT } from '../hid/button-page'
import { CONSUMER_USAGES } from '../hid/consumer-page'
import { KEY_USAGES } from '../hid/keyboard-page'
import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import { toHex } from '../light/colour'
import { keyAction } from './action-text'
import { bind } from './edits'
import { factoryProfile } from './profile'
import { MOST_NAME_BYTES, type Action, type Effect, type Profile } from './schema'

const modifiers = KEY_USAGES.filter(({ usage }) => usage >= FIRST_MODIFIER_USAGE).map(({ code }) => code)
const colour = fc
  .tuple(fc.nat(255), fc.nat(255), fc.nat(255))
  .map(([red, green, blue]) => toHex({ red, green, blue }))

/** Any action a profile for this model can hold. */
export const anyAction = (model: DeviceModel): fc.Arbitrary<Action> => {
  const place = (most: number) =>
    fc.oneof(fc.constantFrom('next' as const, 'previous' as const), fc.integer({ min: 1, max: most }))
  return fc.oneof(
    fc
      .tuple(fc.constantFrom(...KEY_USAGES.map(({ code }) => code)), fc.subarray(modifiers))
      .map(([code, held]) => keyAction(code, held)),
    fc.record({
      kind: fc.constant('button' as const),
      button: fc.integer({ min: 1, max: BUTTON_COUNT }),
      clicks: fc.integer({ min: 1, max: 2 }),
    }),
    fc.record({
      kind: fc.constant('scroll' as const),
      direction: fc.constantFrom('up' as const, 'down' as const, 'left' as const, 'right' as const),
      amount: fc.integer({ min: 1, max: 100 }),
    }),
    fc.record({
      kind: fc.constant('control' as const),
      control: fc.constantFrom(...CONSUMER_USAGES.map(({ id }) => id)),
    }),
    fc.record({ kind: fc.constant('step' as const), to: place(model.sensor.maxSteps) }),
    fc.record({ kind: fc.constant('slot' as const), to: place(model.memory.slots) }),
    fc.constant({ kind: 'off' as const }),
  )
}

const brightness = fc.integer({ min: 1, max: 100 })
const periodMs = fc.integer({ min: 10, max: 200 }).map((units) => units * 50)
const anyEffect: fc.Arbitrary<Effect> = fc.oneof(
  fc.constant({ kind: 'off' as const }),
  fc.record({ kind: fc.constant('solid' as const), colour, brightness }),
  fc.record({ kind: fc.constant('breathing' as const), colour, brightness, periodMs }),
  fc.record({ kind: fc.constant('cycle' as const), brightness, periodMs }),
)

const anyName = fc
  .string({ unit: 'grapheme', minLength: 1, maxLength: 40 })
  .filter((name) => name.trim() !== '' && new TextEncoder().encode(name).length <= MOST_NAME_BYTES)

/** Any profile that a device of this model can keep. */
export const anyProfile = (model: DeviceModel): fc.Arbitrary<Profile> =>
  fc
    .record({
      name: anyName,
      actions: fc.array(
        fc.tuple(fc.constantFrom(...model.inputs.slice(1).map(({ id }) => id)), anyAction(model)),
      ),
      steps: fc.array(
        fc.record({
          dpi: fc
            .integer({
              min: 1,
              max: (model.sensor.maxDpi - model.sensor.minDpi) / model.sensor.resolutionDpi,
            })
            .map((unit) => model.sensor.minDpi + unit * model.sensor.resolutionDpi),
          colour,
        }),
        { minLength: 1, maxLength: model.sensor.maxSteps },
      ),
      defaultStep: fc.nat(model.sensor.maxSteps - 1),
      polling: fc.record(
        Object.fromEntries(
          model.connections
            .filter(({ configurable }) => configurable)
            .map(({ id, ratesHz }) => [id, fc.constantFrom(...ratesHz)]),
        ),
      ),
      light: fc.record(Object.fromEntries(model.zones.map(({ id }) => [id, anyEffect]))),
    })
    .map(({ name, actions, steps, defaultStep, polling, light }) =>
      actions.reduce((profile, [input, action]) => bind(profile, model, 0, input, action), {
        ...factoryProfile(model, name),
        ...{ steps, defaultStep: Math.min(defaultStep, steps.length - 1), polling, light },
      }),
    )
