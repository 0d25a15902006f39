import { definitionIn, keysOf } from '../base/tables'
import { millis, type DefaultedParameters, type ValuesOf } from '../base/parameters'
import { FIRST_FIRMWARE, type FirmwareVersion } from '../base/versions'
import type { LightState, Press } from './effect'

/** Conditions of effects, each as data and one pure function. */
export interface ConditionKind<Ps extends DefaultedParameters, Values = ValuesOf<Ps>> {
  /** In images, 1 to 30. */
  code: number
  /** The first firmware that supports it. */
  since: FirmwareVersion
  parameters: Ps
  /** Whether it starts or ends by itself while nothing happens to the device. */
  byItself: boolean
  /** Requirements of the device or the profile for offering it. */
  needs?: 'battery' | 'layers'
  /** @returns its start in ms since the slot became active, or undefined while it is not met */
  holdsFrom(values: Values, state: LightState, nowMs: number): number | undefined
}

const condition = <const Ps extends DefaultedParameters>(kind: ConditionKind<Ps>): ConditionKind<Ps> => kind

const forMs = millis(50, 60_000, 1000)
const within = (atMs: number | undefined, lengthMs: number, nowMs: number): number | undefined =>
  atMs !== undefined && nowMs >= atMs && nowMs - atMs < lengthMs ? atMs : undefined
const whole = (min: number, max: number, unit: '%' | 's', defaultValue: number) =>
  ({ kind: 'number', min, max, unit, default: defaultValue }) as const

/** All conditions except “always”, in the order they are offered. */
export const CONDITIONS = {
  layer: condition({
    code: 1,
    since: FIRST_FIRMWARE,
    parameters: { layer: { kind: 'layer', min: 1, max: 255, default: 1 } },
    byItself: false,
    needs: 'layers',
    holdsFrom: ({ layer }, { layers }) => layers.find((each) => each.layer === layer)?.atMs,
  }),
  press: condition({
    code: 2,
    since: FIRST_FIRMWARE,
    parameters: { forMs, inputs: { kind: 'inputs', default: [] } },
    byItself: false,
    holdsFrom: ({ forMs: lengthMs, inputs }, { presses }, nowMs) =>
      within(pressesOfInputs(presses, inputs).at(-1)?.atMs, lengthMs, nowMs),
  }),
  macro: condition({
    code: 3,
    since: FIRST_FIRMWARE,
    parameters: { macro: { kind: 'macro', zero: 'any', min: 0, max: 255, default: 0 } },
    byItself: false,
    holdsFrom: ({ macro }, { macros }) => macros.find((each) => macro === 0 || each.macro === macro)?.atMs,
  }),
  signal: condition({
    code: 4,
    since: FIRST_FIRMWARE,
    parameters: { forMs },
    byItself: false,
    holdsFrom: ({ forMs: lengthMs }, { signalAtMs }, nowMs) => within(signalAtMs, lengthMs, nowMs),
  }),
  battery: condition({
    code: 5,
    since: FIRST_FIRMWARE,
    parameters: { underPercent: whole(1, 100, '%', 15) },
    byItself: false,
    needs: 'battery',
    holdsFrom: ({ underPercent }, { chargePercent }) => (chargePercent < underPercent ? 0 : undefined),
  }),
  charging: condition({
    code: 6,
    since: FIRST_FIRMWARE,
    parameters: {},
    byItself: false,
    needs: 'battery',
    holdsFrom: (_, { charging }) => (charging ? 0 : undefined),
  }),
  connection: condition({
    code: 7,
    since: FIRST_FIRMWARE,
    parameters: { connection: { kind: 'connection', min: 0, max: 255, default: 1 } },
    byItself: false,
    holdsFrom: ({ connection }, state) => (state.connection === connection ? 0 : undefined),
  }),
  arrival: condition({
    code: 8,
    since: FIRST_FIRMWARE,
    parameters: { forMs },
    byItself: true,
    holdsFrom: ({ forMs: lengthMs }, { arrivalAtMs }, nowMs) => within(arrivalAtMs, lengthMs, nowMs),
  }),
  idle: condition({
    code: 9,
    since: FIRST_FIRMWARE,
    parameters: { seconds: whole(1, 3600, 's', 60) },
    byItself: true,
    holdsFrom({ seconds }, { lastInputMs }, nowMs) {
      const from = lastInputMs + seconds * 1000
      return nowMs >= from ? from : undefined
    },
  }),
} as const

/** In place of a connection: the device is pairing. */
export const PAIRING = 255

export type ConditionName = keyof typeof CONDITIONS

export type LightCondition = {
  [Name in ConditionName]: { kind: Name } & ValuesOf<(typeof CONDITIONS)[Name]['parameters']>
}[ConditionName]

/** A condition as a device stores it. */
export type LightWhen = { kind: 'always' } | LightCondition

export const CONDITION_NAMES = keysOf(CONDITIONS)

export const conditionParameters = (name: ConditionName): DefaultedParameters => CONDITIONS[name].parameters

export const conditionByCode = (code: number): ConditionName | undefined =>
  CONDITION_NAMES.find((name) => CONDITIONS[name].code === code)

/** The start time of an effect, in ms since the slot became active; undefined while it is not shown. */
export function conditionStart(when: LightWhen, state: LightState, nowMs: number): number | undefined {
  if (when.kind === 'always') return 0
  const kind = definitionIn<ConditionKind<DefaultedParameters, object>>(CONDITIONS, when.kind)
  return kind.holdsFrom(when, state, nowMs)
}

/** Presses of some inputs; of all if none is given. */
export const pressesOfInputs = (presses: readonly Press[], inputs: readonly number[]): readonly Press[] =>
  inputs.length === 0 ? presses : presses.filter(({ input }) => inputs.includes(input))
