import { ImageError } from './bytes'
import type { Rgb } from './colour'

/**
 * The one language in which effects, conditions, actions, macro events and device settings say what can be set in them.
 * A parameter is data: its bounds, its unit and its default. From it are derived the bytes (parameter-bytes.ts), the
 * schema and the terms of a document (document/parameter-schema.ts, document/parameter-terms.ts), the control and the
 * values that tests generate.
 */
export type Parameter = DeviceParameter | DocumentParameter

/** What a device stores. */
export type DeviceParameter =
  | NumberParameter
  /** One of a few, stored as its place in a list that only grows. */
  | ({ kind: 'choice'; of: readonly string[] } & Left<string>)
  /** Stored as 0 or 1. */
  | ({ kind: 'flag' } & Left<boolean>)
  | ({ kind: 'colour' } & Left<Rgb>)
  /** From `least` to `most` colours, behind their number. */
  | ({ kind: 'colours' } & Bounds & Left<readonly Rgb[]>)
  /** Numbers of inputs behind how many there are. An empty list stands for any input. */
  | ({ kind: 'inputs' } & Left<readonly number[]>)
  /** A layer above the base layer by its number, or a connection by its place in the model counted from 1. */
  | ({ kind: 'layer' | 'connection' } & Bounds & Left<number>)
  /** A macro as section 7 numbers them. `zero`: what 0 stands for, where the bounds allow it. */
  | ({ kind: 'macro'; zero?: 'none' | 'any' } & Bounds & Left<number>)
  /** A place in the row of the device's steps or slots: the next is 0, the previous is 255. */
  | ({ kind: 'target'; of: 'steps' | 'slots' } & Left<Target>)
  /** Keys to type, to the end of the record. */
  | ({ kind: 'strokes' } & Left<never>)
  /** An action within an action, as a record. */
  | ({ kind: 'action' } & Left<never>)

/**
 * A whole number of grids from `least` to `most`. On a device: a byte, a signed byte, one or two bytes, or, where nothing
 * is said, a varint.
 */
export type NumberParameter = {
  kind: 'number'
  as?: 'byte' | 'signed' | 'short' | 'varint'
  grid?: number
  unit?: Unit
} & Bounds &
  Left<number>

/** What only documents contain: a device stores something else instead. */
export type DocumentParameter =
  /** The `code` of a key that has a usage. */
  | ({ kind: 'key' } & Left<string>)
  /** The codes of modifier keys. */
  | ({ kind: 'modifiers' } & Left<never>)
  /** The id of a usage of the consumer page, or of a shortcut. */
  | ({ kind: 'control' | 'shortcut' } & Left<string>)
  /** `oneLine`: without line ends and tabs. */
  | ({ kind: 'text'; most: number; oneLine?: true } & Left<string>)
  /** Bytes as hexadecimal digits. */
  | ({ kind: 'bytes' } & Left<string>)

export interface Bounds {
  least: number
  most: number
}

/** How a parameter is left out. */
interface Left<Value> {
  /** Its value where it is left out. Without a default it is always stored. */
  otherwise?: Value
  /** Always stored, though a shorter record is read too. */
  always?: true
  /** Left out, it has no value: 0 in a record. */
  optional?: true
}

export type Unit = '%' | 'ms' | 'mm' | '°' | 's' | 'min'
export type Parameters = Readonly<Record<string, Parameter>>
export type DeviceParameters = Readonly<Record<string, DeviceParameter>>
/** Each with a default, so that a new one needs nothing said. */
export type StandingParameters = Readonly<
  Record<string, DeviceParameter & { otherwise: number | string | Rgb | readonly Rgb[] | readonly number[] }>
>

/** A place in a row of steps or slots: the next, the previous, or a chosen one counted from 1. */
export type Target = 'next' | 'previous' | number

/** Bounds of a step or a slot that is chosen by its number. */
export const CHOSEN = { least: 1, most: 250 } as const

/** The value of a parameter on a device. `Strokes` and `Action` belong to higher levels. */
export type ValueOf<P extends DeviceParameter, Strokes = never, Action = never> = P extends {
  kind: 'choice'
  of: readonly (infer C)[]
}
  ? C
  : P extends { kind: 'flag' }
    ? boolean
    : P extends { kind: 'colour' }
      ? Rgb
      : P extends { kind: 'colours' }
        ? readonly Rgb[]
        : P extends { kind: 'inputs' }
          ? readonly number[]
          : P extends { kind: 'target' }
            ? Target
            : P extends { kind: 'strokes' }
              ? Strokes
              : P extends { kind: 'action' }
                ? Action
                : number

type OptionalOf<Ps extends Parameters> = {
  [K in keyof Ps]: Ps[K] extends { optional: true } ? K : never
}[keyof Ps]
export type Flat<T> = { [K in keyof T]: T[K] }

/** The values of some parameters on a device. */
export type ValuesOf<Ps extends DeviceParameters, Strokes = never, Action = never> = Flat<
  { -readonly [K in Exclude<keyof Ps, OptionalOf<Ps>>]: ValueOf<Ps[K], Strokes, Action> } & {
    -readonly [K in OptionalOf<Ps>]?: ValueOf<Ps[K], Strokes, Action>
  }
>

export const percent = (otherwise: number, least = 0) =>
  ({ kind: 'number', least, most: 100, unit: '%', otherwise }) as const
export const millis = (least: number, most: number, otherwise: number, grid = 10) =>
  ({ kind: 'number', least, most, grid, unit: 'ms', otherwise }) as const
export const millimetres = (least: number, most: number, otherwise: number) =>
  ({ kind: 'number', least, most, unit: 'mm', otherwise }) as const
export const colourOf = (red: number, green: number, blue: number) =>
  ({ kind: 'colour', otherwise: { red, green, blue } }) as const
export const coloursOf = (...otherwise: Rgb[]) => ({ kind: 'colours', least: 2, most: 8, otherwise }) as const
export const choiceOf = <const C extends readonly [string, ...string[]]>(...of: C) =>
  ({ kind: 'choice', of, otherwise: of[0] }) as const

/** A value that was stored for a parameter, with the type that its kind has. */
export const valueAs = <P extends DeviceParameter>(
  _parameter: P,
  value: unknown,
): ValueOf<P, object, object> =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- values are stored by the names of their parameters
  value as ValueOf<P, object, object>

/** What everything is where nothing is said. */
export const otherwiseOf = <Ps extends StandingParameters>(parameters: Ps): ValuesOf<Ps> =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- each value is the default of its own parameter
  Object.fromEntries(
    Object.entries(parameters).map(([name, { otherwise }]) => [name, otherwise]),
    // Each value is the default of its own parameter; the compiler cannot follow them through the loop.
  ) as ValuesOf<Ps>

export const gridOf = (parameter: Parameter): number =>
  parameter.kind === 'number' ? (parameter.grid ?? 1) : 1

/** @throws ImageError for a value out of its bounds */
export function within(value: number, { least, most }: Bounds): number {
  if (value < least || value > most) throw new ImageError(`${value} is not from ${least} to ${most}`)
  return value
}

/** The value of a number in a list. @throws ImageError for a number that stands for none */
export function listed<T>(list: readonly T[], number: number): T {
  const found = list[number]
  if (found === undefined) throw new ImageError(`${number} stands for nothing`)
  return found
}
