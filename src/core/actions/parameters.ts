import { ByteWriter, ImageError, sameBytes, type ByteReader } from '../base/bytes'
import type { Rgb } from '../base/colour'
import { readColour, writeColour, type Unit } from '../base/parameters'
import { readStrokes, writeStrokes, type Stroke } from './strokes'

/** A place in a row of steps or slots: the next, the one before, or a chosen one counted from 1. */
export type Target = 'next' | 'previous' | number

/** Of a step or a slot that is chosen by its number. */
export const CHOSEN = { least: 1, most: 250 } as const

interface Bounds {
  least: number
  most: number
}

/** How a parameter is left out of a record. */
interface Left<Value> {
  /** What it is where it is left out; at the end of a record it then is. Without one it always stands there. */
  otherwise?: Value
  /** Stands in the record in any case, though a shorter record is read. */
  always?: true
  /** Nothing, where it is left out: 0 in the record. */
  optional?: true
}

/** A parameter of an action, as data. */
export type ActionParameter =
  /** A whole number in steps of `grid` (1 where none is said): one byte; with a sign; one or two bytes; a varint. */
  | ({ kind: 'byte' | 'signed' | 'short' | 'whole'; grid?: number; unit?: Unit } & Bounds & Left<number>)
  /** A layer over the base, counted from 1, or a macro as section 7 numbers them; 0 is none where it may be. */
  | ({ kind: 'layer' | 'macro' } & Bounds & Left<number>)
  /** One of a few, kept by its place in a list that only grows. */
  | ({ kind: 'choice'; of: readonly string[] } & Left<string>)
  | ({ kind: 'colour' } & Left<never>)
  /** The next is 0, the one before 255. */
  | ({ kind: 'target' } & Left<never>)
  /** To the end of the record. */
  | ({ kind: 'strokes' } & Left<never>)
  /** An action within an action, as a record. */
  | ({ kind: 'action' } & Left<never>)

export type ActionParameters = Readonly<Record<string, ActionParameter>>

export type ValueOf<P extends ActionParameter> = P extends { kind: 'choice'; of: readonly (infer C)[] }
  ? C
  : P extends { kind: 'colour' }
    ? Rgb
    : P extends { kind: 'target' }
      ? Target
      : P extends { kind: 'strokes' }
        ? readonly Stroke[]
        : P extends { kind: 'action' }
          ? object
          : number

type OptionalOf<Ps extends ActionParameters> = {
  [K in keyof Ps]: Ps[K] extends { optional: true } ? K : never
}[keyof Ps]
type Flat<T> = { [K in keyof T]: T[K] }

/** What a device keeps of the parameters of an action. */
export type ValuesOf<Ps extends ActionParameters> = Flat<
  { -readonly [K in Exclude<keyof Ps, OptionalOf<Ps>>]: ValueOf<Ps[K]> } & {
    -readonly [K in OptionalOf<Ps>]?: ValueOf<Ps[K]>
  }
>

type Value = number | string | object | undefined

/** How actions within an action are written and read: the registry of kinds is above this file. */
export interface Nested {
  write(writer: ByteWriter, action: object): void
  read(reader: ByteReader): object
}

/** Parameters in the order of their definition; those at the end that are as if left out are left out. */
export function payloadOf(parameters: ActionParameters, values: object, nested: Nested): number[] {
  const given = values as Readonly<Record<string, Value>>
  const written = Object.entries(parameters).map(([name, parameter]) => {
    const bytes = bytesOf(parameter, given[name], nested)
    const missing = parameter.optional ? 0 : parameter.otherwise
    const spare =
      missing !== undefined && !parameter.always && sameBytes(bytes, bytesOf(parameter, missing, nested))
    return { bytes, spare }
  })
  const last = written.findLastIndex(({ spare }) => !spare)
  return written.slice(0, last + 1).flatMap(({ bytes }) => [...bytes])
}

/**
 * The reverse of {@link payloadOf}: what the record has no more of is as if left out.
 *
 * @throws ImageError for a record that is cut short, or a value out of its bounds
 */
export function valuesIn(
  reader: ByteReader,
  parameters: ActionParameters,
  nested: Nested,
): Record<string, NonNullable<Value>> {
  const values: Record<string, NonNullable<Value>> = {}
  for (const [name, parameter] of Object.entries(parameters)) {
    const { otherwise, optional } = parameter
    const missing = reader.left === 0 && (optional || otherwise !== undefined)
    const value = missing ? otherwise : readValue(reader, parameter, nested)
    if (value !== undefined) values[name] = value
  }
  return values
}

function bytesOf(parameter: ActionParameter, value: Value, nested: Nested): Uint8Array {
  const writer = new ByteWriter()
  switch (parameter.kind) {
    case 'byte':
    case 'signed':
    case 'layer':
    case 'macro':
      writer.u8(Number(value ?? 0) / gridOf(parameter))
      break
    case 'short':
      writer.bytes(Number(value) < 0x100 ? [Number(value)] : [Number(value), Number(value) >> 8])
      break
    case 'whole':
      writer.varint(Number(value) / gridOf(parameter))
      break
    case 'choice':
      writer.u8(parameter.of.indexOf(String(value)))
      break
    case 'colour':
      writeColour(writer, value as Rgb)
      break
    case 'target':
      writer.u8(value === 'next' ? 0 : value === 'previous' ? 0xff : Number(value))
      break
    case 'strokes':
      writer.bytes(writeStrokes(value as Stroke[]))
      break
    case 'action':
      nested.write(writer, value as object)
  }
  return writer.toBytes()
}

function readValue(reader: ByteReader, parameter: ActionParameter, nested: Nested): Value {
  switch (parameter.kind) {
    case 'byte':
    case 'layer':
    case 'macro': {
      const value = reader.u8() * gridOf(parameter)
      return value === 0 && parameter.optional ? undefined : within(value, parameter)
    }
    case 'signed':
      return within(signed(reader.u8()), parameter)
    case 'short':
      return within(reader.u8() | (reader.u8Or(0) << 8), parameter)
    case 'whole':
      return within(reader.varint() * gridOf(parameter), parameter)
    case 'choice':
      return listed(parameter.of, reader.u8())
    case 'colour':
      return readColour(reader)
    case 'target': {
      const value = reader.u8()
      return value === 0 ? 'next' : value === 0xff ? 'previous' : within(value, CHOSEN)
    }
    case 'strokes':
      return readStrokes(reader)
    case 'action':
      return nested.read(reader)
  }
}

const gridOf = (parameter: ActionParameter): number => ('grid' in parameter ? (parameter.grid ?? 1) : 1)
const signed = (byte: number): number => (byte > 127 ? byte - 256 : byte)

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
