import fc from 'fast-check'
import type { DeviceModel } from '../device/model'
import { anyStack } from './any-light.test-support'
import { anyColour } from './any-parameter.test-support'
import type { DeviceSettings } from '../onboard/settings'
import { effectiveSettings, removeFactoryValues } from './device-settings'
import { nameProblem, utf8Length } from '../base/names'
import { MAX_STEP_NAME_BYTES, type Profile } from './schema'

export const anyWords = (maxBytes: number) =>
  fc
    .string({ unit: 'grapheme', minLength: 1, maxLength: 20 })
    .map((name) => name.trim())
    .filter((name) => nameProblem(name) === undefined && utf8Length(name) <= maxBytes)

export const anySettings = (model: DeviceModel, layers = 0) =>
  fc
    .record({
      steps: anySteps(model),
      settings: anySettingsOf(model),
      defaultStep: fc.nat(15),
      polling: fc.record(
        Object.fromEntries(
          model.connections
            .filter(({ configurable }) => configurable)
            .map(({ id, ratesHz }) => [id, fc.constantFrom(...ratesHz)]),
        ),
      ),
      light: anyStack(model, layers),
    })
    .map((settings) => ({
      ...settings,
      defaultStep: Math.max(0, Math.min(settings.defaultStep, settings.steps.length - 1)),
    }))

/** Any device settings that the model supports, without those that equal factory settings. */
const anySettingsOf = (model: DeviceModel): fc.Arbitrary<DeviceSettings> =>
  fc
    .record({
      liftOffMm: fc.constantFrom(undefined, ...(model.sensor?.liftOffMm ?? [])),
      angleSnapping: fc.option(fc.boolean(), { nil: undefined }),
      debounceMs: fc.option(fc.nat(model.debounce.maxMs ?? 0), { nil: undefined }),
      debounce: fc.constantFrom(undefined, 'eager' as const, 'deferred' as const),
      pressMs: fc.option(fc.integer({ min: 1, max: 100 }), { nil: undefined }),
      sleepMinutes: fc.option(fc.integer({ min: 1, max: 60 }), { nil: undefined }),
      noticePercent: fc.option(fc.nat(50), { nil: undefined }),
      slotKeyOne: fc.constantFrom(undefined, 2),
      slotKeyTwo: fc.constantFrom(undefined, 3),
    })
    .map((settings) => {
      const has = effectiveSettings({}, model)
      const known = Object.entries(settings).filter(([key]) => key in has)
      return removeFactoryValues(Object.fromEntries(known), model)
    })

function anySteps({ sensor }: DeviceModel): fc.Arbitrary<Profile['steps']> {
  if (!sensor) return fc.constant([])
  const { minDpi, maxDpi, resolutionDpi, maxSteps, splitAxes } = sensor
  const dpi = fc
    .integer({ min: 0, max: (maxDpi - minDpi) / resolutionDpi })
    .map((unit) => minDpi + unit * resolutionDpi)
  const step = fc
    .record({
      dpi,
      colour: anyColour,
      name: fc.option(anyWords(MAX_STEP_NAME_BYTES), { nil: undefined }),
      dpiY: splitAxes ? fc.option(dpi, { nil: undefined }) : fc.constant(undefined),
    })
    .map(({ dpi, dpiY, colour, name }) => ({
      dpi,
      colour,
      ...(dpiY !== undefined && dpiY !== dpi && { dpiY }),
      ...(name && { name }),
    }))
  return fc.array(step, { minLength: 1, maxLength: maxSteps })
}
