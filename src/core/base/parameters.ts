import { ImageError } from './bytes'
import type { Rgb } from './colour'
import { message } from '../message/message'

/**
 * The common language for the parameters of effects, conditions, actions, macro events and device settings. A parameter
 * is data: its bounds, its unit and its default. Its bytes (parameter-bytes.ts), its schema and terms in a document
 * (document/parameter-schema.ts, document/parameter-terms.ts), its control and its test values are derived from it.
 */
export type Parameter = DeviceParameter | DocumentParameter

/** Values that a device stores. */
export type DeviceParameter =
  | NumberParameter
  /** One of a few options, stored as its index in a list that only grows. */
  | ({ kind: 'choice'; of: readonly string[] } & Left<string>)
  /** Stored as 0 or 1. */
  | ({ kind: 'flag' } & Left<boolean>)
  | ({ kind: 'colour' } & Left<Rgb>)
  /** From `least` to `most` colours, after their count. */
  | ({ kind: 'colours' } & Bounds & Left<readonly Rgb[]>)
  /** Input numbers after their count. An empty list means any input. */
  | ({ kind: 'inputs' } & Left<readonly number[]>)
  /** The number of a layer above the base layer, or of a connection in the model counted from 1. */
  | ({ kind: 'layer' | 'connection' } & Bounds & Left<number>)
  /** A macro by its number in section 7. `zero`: the meaning of 0, if the bounds allow it. */
  | ({ kind: 'macro'; zero?: 'none' | 'any' } & Bounds & Left<number>)
  /** A position among the device's steps or slots: the next is 0, the previous is 255. */
  | ({ kind: 'target'; of: 'steps' | 'slots' } & Left<Target>)
  /** Keys to type, up to the end of the record. */
  | ({ kind: 'strokes' } & Left<never>)
  /** A nested action, as a record. */
  | ({ kind: 'action' } & Left<never>)

/**
 * A number from `least` to `most` in whole steps of `grid`. On a device: a byte, a signed byte, one or two bytes, or by
 * default a varint.
 */
export type NumberParameter = {
  kind: 'number'
  as?: 'byte' | 'signed' | 'short' | 'varint'
  step?: number
  unit?: Unit
} & Bounds &
  Left<number>

/** Values that only documents contain; a device stores something else. */
export type DocumentParameter =
  /** The `code` of a key that has a usage. */
  | ({ kind: 'key' } & Left<string>)
  /** The codes of modifier keys. */
  | ({ kind: 'modifiers' } & Left<never>)
  /** The id of a usage of the consumer page, or of a shortcut. */
  | ({ kind: 'control' | 'shortcut' } & Left<string>)
  /** `oneLine`: without line breaks and tabs. */
  | ({ kind: 'text'; max: number; oneLine?: true } & Left<string>)
  /** Bytes as hexadecimal digits. */
  | ({ kind: 'bytes' } & Left<string>)
  /** The id of a program or of one of its commands. */
  | ({ kind: 'id' } & Left<string>)
  /** What the computer must receive for a command (document/command-key.ts). */
  | ({ kind: 'command-key' } & Left<never>)

export interface Bounds {
  min: number
  max: number
}

/** How a parameter can be omitted. */
interface Left<Value> {
  /** Its value if it is omitted. Without a default it is always stored. */
  default?: Value
  /** Always stored, although shorter records are also read. */
  always?: true
  /** If omitted, it has no value: 0 in a record. */
  optional?: true
}

export type Unit = '%' | 'ms' | 'mm' | '°' | 's' | 'min'
export type Parameters = Readonly<Record<string, Parameter>>
export type DeviceParameters = Readonly<Record<string, DeviceParameter>>
/** Each has a default, so that existing definitions need no change for a new one. */
export type DefaultedParameters = Readonly<
  Record<string, DeviceParameter & { default: number | string | Rgb | readonly Rgb[] | readonly number[] }>
>

/** A position among steps or slots: the next, the previous, or a number counted from 1. */
export type Target = 'next' | 'previous' | number

/** Bounds of a step or slot number. */
export const TARGET_BOUNDS = { min: 1, max: 250 } as const

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
export type Flatten<T> = { [K in keyof T]: T[K] }

/** The values of some parameters on a device. */
export type ValuesOf<Ps extends DeviceParameters, Strokes = never, Action = never> = Flatten<
  { -readonly [K in Exclude<keyof Ps, OptionalOf<Ps>>]: ValueOf<Ps[K], Strokes, Action> } & {
    -readonly [K in OptionalOf<Ps>]?: ValueOf<Ps[K], Strokes, Action>
  }
>

export const percent = (defaultValue: number, min = 0) =>
  ({ kind: 'number', min, max: 100, unit: '%', default: defaultValue }) as const
export const millis = (min: number, max: number, defaultValue: number, step = 10) =>
  ({ kind: 'number', min, max, step, unit: 'ms', default: defaultValue }) as const
export const millimetres = (min: number, max: number, defaultValue: number) =>
  ({ kind: 'number', min, max, unit: 'mm', default: defaultValue }) as const
export const colourParameter = (red: number, green: number, blue: number) =>
  ({ kind: 'colour', default: { red, green, blue } }) as const
export const coloursParameter = (...defaultValue: Rgb[]) =>
  ({ kind: 'colours', min: 2, max: 8, default: defaultValue }) as const
export const choiceParameter = <const C extends readonly [string, ...string[]]>(...of: C) =>
  ({ kind: 'choice', of, default: of[0] }) as const

/** A value that was stored for a parameter, with the type that its kind has. */
export const valueAs = <P extends DeviceParameter>(
  _parameter: P,
  value: unknown,
): ValueOf<P, object, object> =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- values are stored by the names of their parameters
  value as ValueOf<P, object, object>

/** Common defaults of all parameters. */
export const defaultOf = <Ps extends DefaultedParameters>(parameters: Ps): ValuesOf<Ps> =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- each value is the default of its own parameter
  Object.fromEntries(
    Object.entries(parameters).map(([name, { default: defaultValue }]) => [name, defaultValue]),
    // Each value is the default of its own parameter, which the compiler cannot follow through the loop.
  ) as ValuesOf<Ps>

export const stepOf = (parameter: Parameter): number =>
  parameter.kind === 'number' ? (parameter.step ?? 1) : 1

/** @throws ImageError for a value out of its bounds */
export function checkBounds(value: number, { min, max }: Bounds): number {
  if (value < min || value > max) throw new ImageError(message('images.outOfBounds', { value, min, max }))
  return value
}

/** The value for a number in a list. @throws ImageError for an unknown number */
export function choiceAt<T>(list: readonly T[], number: number): T {
  const found = list[number]
  if (found === undefined) throw new ImageError(message('images.noMeaning', { number }))
  return found
}
