import { ByteWriter, equalBytes, type ByteReader } from './bytes'
import type { Rgb } from './colour'
import {
  valueAs,
  TARGET_BOUNDS,
  stepOf,
  choiceAt,
  checkBounds,
  type DeviceParameter,
  type DeviceParameters,
} from './parameters'

/** Parameters as the bytes of a record (docs/onboard-format.md, "Records"). */

/** How values of a higher level are written and read. */
export interface Codecs {
  strokes: Codec
  action: Codec
}
interface Codec {
  write(writer: ByteWriter, value: object): void
  /** @throws ImageError for values that no device can perform */
  read(reader: ByteReader): object
}

type Value = number | string | boolean | object | undefined

/**
 * Appends values in the order of their parameters. Trailing values that equal the default of an omitted value are
 * omitted.
 */
export function writeValues(
  writer: ByteWriter,
  parameters: DeviceParameters,
  values: object,
  codecs?: Codecs,
): void {
  const written = Object.entries(parameters).map(([name, parameter]) => {
    const bytes = bytesOf(parameter, Reflect.get(values, name), codecs)
    const missing = parameter.optional ? 0 : parameter.default
    const spare =
      missing !== undefined && !parameter.always && equalBytes(bytes, bytesOf(parameter, missing, codecs))
    return { bytes, spare }
  })
  const last = written.findLastIndex(({ spare }) => !spare)
  for (const { bytes } of written.slice(0, last + 1)) writer.bytes(bytes)
}

/**
 * The reverse of {@link writeValues}.
 *
 * @returns values by the names of their parameters
 * @throws ImageError for incomplete bytes, or a value out of its bounds
 */
export function readValues(
  reader: ByteReader,
  parameters: DeviceParameters,
  codecs?: Codecs,
): Record<string, NonNullable<Value>> {
  const values: Record<string, NonNullable<Value>> = {}
  for (const [name, parameter] of Object.entries(parameters)) {
    const { default: defaultValue, optional } = parameter
    const missing = reader.left === 0 && (optional || defaultValue !== undefined)
    const value = missing ? defaultValue : readValue(reader, parameter, codecs)
    if (value !== undefined) values[name] = value
  }
  return values
}

/** The bytes of one value. */
function bytesOf(parameter: DeviceParameter, value: Value, codecs: Codecs | undefined): Uint8Array {
  const writer = new ByteWriter()
  writeValue(writer, parameter, value, codecs)
  return writer.toBytes()
}

export function writeValue(
  writer: ByteWriter,
  parameter: DeviceParameter,
  value: Value,
  codecs?: Codecs,
): void {
  switch (parameter.kind) {
    case 'number': {
      const grids = Math.round(Number(value ?? 0) / stepOf(parameter))
      const { as = 'varint' } = parameter
      if (as === 'varint') return writer.varint(grids)
      if (as === 'short' && grids > 0xff) return writer.u16(grids)
      return writer.u8(grids & 0xff)
    }
    case 'layer':
    case 'macro':
    case 'connection':
    case 'flag':
      return writer.u8(Number(value ?? 0))
    case 'choice':
      return writer.u8(parameter.of.findIndex((each) => each === value))
    case 'colour':
      return writeColour(writer, valueAs(parameter, value))
    case 'colours': {
      const colours = valueAs(parameter, value)
      writer.u8(colours.length)
      return colours.forEach((colour) => writeColour(writer, colour))
    }
    case 'inputs': {
      const inputs = valueAs(parameter, value)
      writer.u8(inputs.length)
      return writer.bytes(inputs)
    }
    case 'target':
      return writer.u8(value === 'next' ? 0 : value === 'previous' ? 0xff : Number(value))
    case 'strokes':
    case 'action':
      return codecsFor(codecs)[parameter.kind].write(writer, valueAs(parameter, value))
  }
}

/** @throws ImageError for incomplete bytes, or a value out of its bounds */
export function readValue(reader: ByteReader, parameter: DeviceParameter, codecs?: Codecs): Value {
  switch (parameter.kind) {
    case 'number': {
      const value = ofGrids(readNumber(reader, parameter.as ?? 'varint'), stepOf(parameter))
      return value === 0 && parameter.optional ? undefined : checkBounds(value, parameter)
    }
    case 'layer':
    case 'macro':
    case 'connection': {
      const value = reader.u8()
      return value === 0 && parameter.optional ? undefined : checkBounds(value, parameter)
    }
    case 'flag':
      return choiceAt([false, true], reader.u8())
    case 'choice':
      return choiceAt(parameter.of, reader.u8())
    case 'colour':
      return readColour(reader)
    case 'colours': {
      const count = checkBounds(reader.u8(), parameter)
      return Array.from({ length: count }, () => readColour(reader))
    }
    case 'inputs':
      return Array.from({ length: reader.u8() }, () => reader.u8())
    case 'target': {
      const value = reader.u8()
      return value === 0 ? 'next' : value === 0xff ? 'previous' : checkBounds(value, TARGET_BOUNDS)
    }
    case 'strokes':
    case 'action':
      return codecsFor(codecs)[parameter.kind].read(reader)
  }
}

function readNumber(reader: ByteReader, as: 'byte' | 'signed' | 'short' | 'varint'): number {
  switch (as) {
    case 'byte':
      return reader.u8()
    case 'signed': {
      const byte = reader.u8()
      return byte > 127 ? byte - 256 : byte
    }
    case 'short':
      return reader.u8() | (reader.u8Or(0) << 8)
    case 'varint':
      return reader.varint()
  }
}

/** A step below 1 divides, so that a tenth is the number nearest to it. */
const ofGrids = (grids: number, step: number): number =>
  step < 1 ? grids / Math.round(1 / step) : grids * step

function codecsFor(codecs: Codecs | undefined): Codecs {
  if (!codecs) throw new TypeError('only an action contains strokes and actions')
  return codecs
}

export function writeColour(writer: ByteWriter, { red, green, blue }: Rgb): void {
  writer.bytes([red, green, blue])
}

export const readColour = (reader: ByteReader): Rgb => ({
  red: reader.u8(),
  green: reader.u8(),
  blue: reader.u8(),
})
