import { ByteWriter, ImageError, sameBytes, type ByteReader } from './bytes'
import type { Rgb } from './colour'

/**
 * A parameter of something a device knows, as data: what it may be, and what it is where it is left out. From it are
 * derived the bytes here, and on higher floors the schema of the document, the control and its words.
 */
export type Parameter =
  /** A whole number in steps of `grid`, from `least` to `most`; kept as so many grids, as a varint. */
  | { kind: 'whole'; least: number; most: number; grid: number; unit: Unit; otherwise: number }
  /** One of a few, kept by its place in a list that only grows. */
  | { kind: 'choice'; of: readonly string[]; otherwise: string }
  | { kind: 'colour'; otherwise: Rgb }
  /** From `least` to `most` colours, behind their number. */
  | { kind: 'colours'; least: number; most: number; otherwise: readonly Rgb[] }
  /** Numbers of inputs behind how many there are; none stands for any. */
  | { kind: 'inputs'; otherwise: readonly number[] }
  /** A layer over the base, a macro or a connection, by its number; 0 is any macro, and no connection at all. */
  | { kind: 'layer' | 'macro' | 'connection'; otherwise: number }

export type Unit = '%' | 'ms' | 'mm' | '°' | 's' | ''
export type Parameters = Readonly<Record<string, Parameter>>

/** What a device keeps of a parameter. */
export type ValueOf<P extends Parameter> = P extends { kind: 'choice'; of: readonly (infer C)[] }
  ? C
  : P extends { kind: 'colour' }
    ? Rgb
    : P extends { kind: 'colours' }
      ? readonly Rgb[]
      : P extends { kind: 'inputs' }
        ? readonly number[]
        : number

export type ValuesOf<Ps extends Parameters> = { -readonly [K in keyof Ps]: ValueOf<Ps[K]> }
export type Value = number | string | Rgb | readonly Rgb[] | readonly number[]

export const percent = (otherwise: number, least = 0) =>
  ({ kind: 'whole', least, most: 100, grid: 1, unit: '%', otherwise }) as const
export const millis = (least: number, most: number, otherwise: number, grid = 10) =>
  ({ kind: 'whole', least, most, grid, unit: 'ms', otherwise }) as const
export const millimetres = (least: number, most: number, otherwise: number) =>
  ({ kind: 'whole', least, most, grid: 1, unit: 'mm', otherwise }) as const
export const colourOf = (red: number, green: number, blue: number) =>
  ({ kind: 'colour', otherwise: { red, green, blue } }) as const
export const coloursOf = (...otherwise: Rgb[]) => ({ kind: 'colours', least: 2, most: 8, otherwise }) as const
export const choiceOf = <const C extends readonly [string, ...string[]]>(...of: C) =>
  ({ kind: 'choice', of, otherwise: of[0] }) as const

const MOST_BYTE = 255

/** Parameters in the order of their definition; those at the end that are as if left out are left out. */
export function writeValues(
  writer: ByteWriter,
  parameters: Parameters,
  values: Readonly<Record<string, unknown>>,
): void {
  const written = Object.entries(parameters).map(([name, parameter]) => {
    // The types of definitions hold names and kinds together; the compiler cannot follow them through a loop.
    const bytes = bytesOf(parameter, values[name] as Value)
    return { bytes, spare: sameBytes(bytes, bytesOf(parameter, parameter.otherwise)) }
  })
  const last = written.findLastIndex(({ spare }) => !spare)
  for (const { bytes } of written.slice(0, last + 1)) writer.bytes(bytes)
}

/**
 * The reverse of {@link writeValues}: what the bytes have no more of is as if left out.
 *
 * @throws ImageError for a value out of its bounds
 */
export const readValues = <Ps extends Parameters>(reader: ByteReader, parameters: Ps): ValuesOf<Ps> =>
  Object.fromEntries(
    Object.entries(parameters).map(([name, parameter]) => [
      name,
      reader.left > 0 ? readValue(reader, parameter) : parameter.otherwise,
    ]),
  ) as ValuesOf<Ps>

/** What everything is where nothing is said. */
export const otherwiseOf = <Ps extends Parameters>(parameters: Ps): ValuesOf<Ps> =>
  Object.fromEntries(
    Object.entries(parameters).map(([name, { otherwise }]) => [name, otherwise]),
  ) as ValuesOf<Ps>

function bytesOf(parameter: Parameter, value: Value): Uint8Array {
  const writer = new ByteWriter()
  if (parameter.kind === 'whole') writer.varint(Math.round(Number(value) / parameter.grid))
  else if (parameter.kind === 'choice') writer.u8(parameter.of.indexOf(String(value)))
  else if (Array.isArray(value)) {
    writer.u8(value.length)
    for (const each of value as readonly (Rgb | number)[])
      if (typeof each === 'number') writer.u8(each)
      else writeColour(writer, each)
  } else if (typeof value === 'object') writeColour(writer, value as Rgb)
  else writer.u8(Number(value))
  return writer.toBytes()
}

function readValue(reader: ByteReader, parameter: Parameter): Value {
  switch (parameter.kind) {
    case 'whole':
      return within(reader.varint() * parameter.grid, parameter.least, parameter.most)
    case 'choice':
      return parameter.of[within(reader.u8(), 0, parameter.of.length - 1)]
    case 'colour':
      return readColour(reader)
    case 'colours': {
      const count = within(reader.u8(), parameter.least, parameter.most)
      return Array.from({ length: count }, () => readColour(reader))
    }
    case 'inputs':
      return Array.from({ length: reader.u8() }, () => reader.u8())
    case 'layer':
    case 'macro':
    case 'connection':
      return within(reader.u8(), 0, MOST_BYTE)
  }
}

function within(value: number, least: number, most: number): number {
  if (value < least || value > most) throw new ImageError(`${value} is not from ${least} to ${most}`)
  return value
}

export function writeColour(writer: ByteWriter, { red, green, blue }: Rgb): void {
  writer.bytes([red, green, blue])
}

export const readColour = (reader: ByteReader): Rgb => ({
  red: reader.u8(),
  green: reader.u8(),
  blue: reader.u8(),
})
