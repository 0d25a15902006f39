import { millis, type Parameters, type ValuesOf } from '../base/parameters'
import type { LightState, Press } from './effect'

/** When an effect shows, as data and one pure function: since when it does, in ms since the slot came on. */
export interface ConditionKind<Ps extends Parameters = Parameters> {
  /** In images, 1 to 30. */
  code: number
  parameters: Ps
  /** @returns the moment it counts from, or undefined while it does not hold */
  since(values: ValuesOf<Ps>, state: LightState, nowMs: number): number | undefined
}

const condition = <const Ps extends Parameters>(kind: ConditionKind<Ps>): ConditionKind<Ps> => kind

const forMs = millis(50, 60_000, 1000)
const within = (atMs: number | undefined, lengthMs: number, nowMs: number): number | undefined =>
  atMs !== undefined && nowMs >= atMs && nowMs - atMs < lengthMs ? atMs : undefined
const whole = (least: number, most: number, unit: '%' | 's', otherwise: number) =>
  ({ kind: 'whole', least, most, grid: 1, unit, otherwise }) as const

/** Every condition there is beside “always”, in the order it is offered. */
export const CONDITIONS = {
  layer: condition({
    code: 1,
    parameters: { layer: { kind: 'layer', otherwise: 1 } },
    since: ({ layer }, { layers }) => layers.find((each) => each.layer === layer)?.atMs,
  }),
  press: condition({
    code: 2,
    parameters: { forMs, inputs: { kind: 'inputs', otherwise: [] } },
    since: ({ forMs: lengthMs, inputs }, { presses }, nowMs) =>
      within(pressesOf(presses, inputs).at(-1)?.atMs, lengthMs, nowMs),
  }),
  macro: condition({
    code: 3,
    parameters: { macro: { kind: 'macro', otherwise: 0 } },
    since: ({ macro }, { macros }) => macros.find((each) => macro === 0 || each.macro === macro)?.atMs,
  }),
  signal: condition({
    code: 4,
    parameters: { forMs },
    since: ({ forMs: lengthMs }, { signalAtMs }, nowMs) => within(signalAtMs, lengthMs, nowMs),
  }),
  battery: condition({
    code: 5,
    parameters: { underPercent: whole(1, 100, '%', 15) },
    since: ({ underPercent }, { chargePercent }) => (chargePercent < underPercent ? 0 : undefined),
  }),
  charging: condition({
    code: 6,
    parameters: {},
    since: (_, { charging }) => (charging ? 0 : undefined),
  }),
  connection: condition({
    code: 7,
    parameters: { connection: { kind: 'connection', otherwise: 1 } },
    since: ({ connection }, state) => (state.connection === connection ? 0 : undefined),
  }),
  arrival: condition({
    code: 8,
    parameters: { forMs },
    since: ({ forMs: lengthMs }, { arrivalAtMs }, nowMs) => within(arrivalAtMs, lengthMs, nowMs),
  }),
  idle: condition({
    code: 9,
    parameters: { seconds: whole(1, 3600, 's', 60) },
    since({ seconds }, { lastInputMs }, nowMs) {
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

export const CONDITION_NAMES = Object.keys(CONDITIONS) as ConditionName[]

export const conditionParameters = (name: ConditionName): Parameters => CONDITIONS[name].parameters

export const conditionByCode = (code: number): ConditionName | undefined =>
  CONDITION_NAMES.find((name) => CONDITIONS[name].code === code)

/** The moment an effect counts its time from, in ms since the slot came on; undefined while it does not show. */
export function sinceOf(when: LightWhen, state: LightState, nowMs: number): number | undefined {
  if (when.kind === 'always') return 0
  const kind = CONDITIONS[when.kind] as unknown as ConditionKind
  return kind.since(when, state, nowMs)
}

/** Those of some inputs; all where none is said. */
export const pressesOf = (presses: readonly Press[], inputs: readonly number[]): readonly Press[] =>
  inputs.length === 0 ? presses : presses.filter(({ input }) => inputs.includes(input))
