import { definitionIn, keysOf } from '../base/tables'
import { millis, type StandingParameters, type ValuesOf } from '../base/parameters'
import { FIRST_FIRMWARE, type FirmwareVersion } from '../base/versions'
import type { LightState, Press } from './effect'

/** When an effect shows, as data and one pure function. */
export interface ConditionKind<Ps extends StandingParameters, Values = ValuesOf<Ps>> {
  /** In images, 1 to 30. */
  code: number
  /** The first firmware that goes by it. */
  since: FirmwareVersion
  parameters: Ps
  /** Whether it begins or ends by itself while nothing happens to the device. */
  byItself: boolean
  /** What a device or a profile must have for it to be offered. */
  needs?: 'battery' | 'layers'
  /** @returns the moment it counts from, in ms since the slot came on, or undefined while it does not hold */
  holdsFrom(values: Values, state: LightState, nowMs: number): number | undefined
}

const condition = <const Ps extends StandingParameters>(kind: ConditionKind<Ps>): ConditionKind<Ps> => kind

const forMs = millis(50, 60_000, 1000)
const within = (atMs: number | undefined, lengthMs: number, nowMs: number): number | undefined =>
  atMs !== undefined && nowMs >= atMs && nowMs - atMs < lengthMs ? atMs : undefined
const whole = (least: number, most: number, unit: '%' | 's', otherwise: number) =>
  ({ kind: 'number', least, most, unit, otherwise }) as const

/** Every condition there is beside “always”, in the order it is offered. */
export const CONDITIONS = {
  layer: condition({
    code: 1,
    since: FIRST_FIRMWARE,
    parameters: { layer: { kind: 'layer', least: 1, most: 255, otherwise: 1 } },
    byItself: false,
    needs: 'layers',
    holdsFrom: ({ layer }, { layers }) => layers.find((each) => each.layer === layer)?.atMs,
  }),
  press: condition({
    code: 2,
    since: FIRST_FIRMWARE,
    parameters: { forMs, inputs: { kind: 'inputs', otherwise: [] } },
    byItself: false,
    holdsFrom: ({ forMs: lengthMs, inputs }, { presses }, nowMs) =>
      within(pressesOf(presses, inputs).at(-1)?.atMs, lengthMs, nowMs),
  }),
  macro: condition({
    code: 3,
    since: FIRST_FIRMWARE,
    parameters: { macro: { kind: 'macro', zero: 'any', least: 0, most: 255, otherwise: 0 } },
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
    parameters: { connection: { kind: 'connection', least: 0, most: 255, otherwise: 1 } },
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

/** In place of a connection: the device looks for somebody to pair with. */
export const PAIRING = 255

export type ConditionName = keyof typeof CONDITIONS

export type LightCondition = {
  [Name in ConditionName]: { kind: Name } & ValuesOf<(typeof CONDITIONS)[Name]['parameters']>
}[ConditionName]

/** When an effect shows, as a device keeps it. */
export type LightWhen = { kind: 'always' } | LightCondition

export const CONDITION_NAMES = keysOf(CONDITIONS)

export const conditionParameters = (name: ConditionName): StandingParameters => CONDITIONS[name].parameters

export const conditionByCode = (code: number): ConditionName | undefined =>
  CONDITION_NAMES.find((name) => CONDITIONS[name].code === code)

/** The moment an effect counts its time from, in ms since the slot came on; undefined while it does not show. */
export function holdsFrom(when: LightWhen, state: LightState, nowMs: number): number | undefined {
  if (when.kind === 'always') return 0
  const kind = definitionIn<ConditionKind<StandingParameters, object>>(CONDITIONS, when.kind)
  return kind.holdsFrom(when, state, nowMs)
}

/** Those of some inputs; all where none is said. */
export const pressesOf = (presses: readonly Press[], inputs: readonly number[]): readonly Press[] =>
  inputs.length === 0 ? presses : presses.filter(({ input }) => inputs.includes(input))
