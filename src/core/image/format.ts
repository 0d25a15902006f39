import { readAction, writeAction, type ImageAction } from './actions'
import { readLight, writeLight, type ZoneStack } from './light-codec'
import { ByteReader, ByteWriter, ImageError } from './bytes'
import { crc32 } from './crc32'
import { macroAt, writeMacroNames, writeMacros, type ImageMacro } from './macro-section'
import type { DeviceSettings } from '../motion/settings'
import { readSettings, writeSettings } from './settings-section'
import { readSteps, writeSteps, type ImageStep } from './steps-section'

export type { ImageStep } from './steps-section'

/**
 * The onboard format's one definition (docs/onboard-format.md). The compiler writes it, the firmware reads it,
 * and both do it here.
 */
export interface OnboardImage {
  /** Number of the device model the image is for. */
  model: number
  name: string
  layers: ImageLayer[]
  steps: ImageStep[]
  /** What steps are called, by their place from 0. */
  stepNames: { step: number; name: string }[]
  /** Index into `steps` of the one in force when the slot comes on. */
  defaultStep: number
  polling: { connection: number; rateHz: number }[]
  light: ZoneStack[]
  /** Finer settings that are not as the factory set them. */
  settings: DeviceSettings
  /** Whether the image says which layers lie over the base layer; if not, they are the factory's. */
  layersListed: boolean
  /** What bindings are called in the game, by layer and input number. */
  names: { layer: number; input: number; name: string }[]
  /** Byte code of macros, the first of number 1; and what each is called. */
  macros: ImageMacro[]
  /** What the profile was made for; for readers, the device does not look at it. */
  made: MadeFor
  /** Sections of a later version, kept byte for byte. */
  unknown: { type: number; payload: Uint8Array }[]
}

/**
 * Bindings of one layer by input number. An input that is not in it does what the factory set on the base layer,
 * and what the layer below says on any other.
 */
export interface ImageLayer {
  bindings: Map<number, ImageAction>
  name: string
  /** Number of its colour; the device has no use for it. */
  colour: number
  /** The signal by which devices on one receiver share it, or 0 for a layer of this device alone. */
  signal: number
}

/** Numbers into lists that only grow: operating systems from 1 (0 not said), layouts and hands from 0. */
export interface MadeFor {
  system: number
  layout: number
  hand: number
}

export const MAGIC = 0x5355
export const FORMAT_VERSION = 1
export const HEADER_BYTES = 8
export const TRAILER_BYTES = 4
/** The length field has 16 bits. */
export const MOST_IMAGE_BYTES = 0xffff
export const POLLING_UNIT_HZ = 125

export const SECTION = {
  ...{ name: 1, bindings: 2, steps: 3, polling: 4, light: 5, layers: 6, macros: 7, names: 8 },
  ...{ settings: 10, made: 11, macroNames: 12, stepNames: 13 },
} as const

/** Length of a section's type and length fields, and of its payload, as they stand in an image. */
export interface SectionSize {
  type: number
  bytes: number
}

/**
 * @returns the image's bytes and what each section takes of them (header and CRC not counted)
 * @throws ImageError when the image would be longer than its length field can say
 */
export function encodeImage(image: OnboardImage): { bytes: Uint8Array; sections: SectionSize[] } {
  const body = new ByteWriter()
  const sections: SectionSize[] = []
  for (const { type, payload } of sectionsOf(image)) {
    const before = body.length
    body.u8(type)
    body.varint(payload.length)
    body.bytes(payload)
    sections.push({ type, bytes: body.length - before })
  }
  const length = HEADER_BYTES + body.length + TRAILER_BYTES
  if (length > MOST_IMAGE_BYTES)
    throw new ImageError(`the image would take ${length} bytes, ${MOST_IMAGE_BYTES} at most`)
  const writer = new ByteWriter()
  writer.u16(MAGIC)
  writer.u8(FORMAT_VERSION)
  writer.u8(0)
  writer.u16(image.model)
  writer.u16(length)
  writer.bytes(body.toBytes())
  writer.u32(crc32(writer.toBytes()))
  return { bytes: writer.toBytes(), sections }
}

/**
 * Reads an image; bytes after its end are not looked at. Sections it does not know are kept in `unknown`.
 *
 * @throws ImageError saying what is wrong: not an image, a later version, cut short, or a CRC that does not match
 */
export function decodeImage(bytes: Uint8Array): OnboardImage {
  const { model, length } = readHeader(bytes)
  const image: OnboardImage = {
    ...{ model, name: '', layers: [], steps: [], stepNames: [], defaultStep: 0 },
    ...{ polling: [], light: [], unknown: [], layersListed: false, names: [], macros: [] },
    ...{ settings: {}, made: { system: 0, layout: 0, hand: 0 } },
  }
  const body = new ByteReader(bytes.subarray(HEADER_BYTES, length - TRAILER_BYTES))
  while (body.left > 0) {
    const type = body.u8()
    const payload = body.sub(body.varint())
    const read = sectionReaders[type]
    if (read) read(image, payload)
    else image.unknown.push({ type, payload: payload.rest().slice() })
  }
  return image
}

/**
 * Looks at the header and the CRC alone.
 *
 * @throws ImageError as {@link decodeImage} does
 */
export function readHeader(bytes: Uint8Array): { model: number; length: number } {
  const reader = new ByteReader(bytes)
  if (bytes.length < HEADER_BYTES + TRAILER_BYTES) {
    throw new ImageError(
      `this is no image: ${bytes.length} bytes are fewer than a header and a checksum take`,
    )
  }
  if (reader.u16() !== MAGIC) throw new ImageError('this is no image: it does not begin with the bytes 55 53')
  const version = reader.u8()
  if (version !== FORMAT_VERSION)
    throw new ImageError(`format version ${version}; this reader knows ${FORMAT_VERSION}`)
  reader.u8()
  const model = reader.u16()
  const length = reader.u16()
  if (length < HEADER_BYTES + TRAILER_BYTES || length > bytes.length) {
    throw new ImageError(`the image says it has ${length} bytes, ${bytes.length} are there`)
  }
  const stored = new ByteReader(bytes.subarray(length - TRAILER_BYTES, length)).u32()
  const computed = crc32(bytes.subarray(0, length - TRAILER_BYTES))
  if (stored !== computed) {
    const hex = (value: number) => value.toString(16).padStart(8, '0').toUpperCase()
    throw new ImageError(`the checksum does not match: ${hex(stored)} stored, ${hex(computed)} computed`)
  }
  return { model, length }
}

/**
 * CRC-32 of an image without its trailer: what tells one image from another. (Taken with the trailer, a CRC is
 * the same for every image.)
 */
export const imageChecksum = (image: Uint8Array): number =>
  crc32(image.subarray(0, Math.max(0, image.length - TRAILER_BYTES)))

function sectionsOf(image: OnboardImage): { type: number; payload: Uint8Array }[] {
  return [
    { type: SECTION.name, payload: new TextEncoder().encode(image.name) },
    ...image.layers.flatMap((layer, index) =>
      layer.bindings.size > 0 ? [{ type: SECTION.bindings, payload: writeLayer(index, layer) }] : [],
    ),
    ...(image.layersListed ? [{ type: SECTION.layers, payload: writeLayerTable(image.layers) }] : []),
    { type: SECTION.macros, payload: writeMacros(image.macros) },
    { type: SECTION.steps, payload: writeSteps(image.steps, image.defaultStep) },
    { type: SECTION.polling, payload: writePolling(image) },
    { type: SECTION.light, payload: writeLight(image.light) },
    { type: SECTION.settings, payload: writeSettings(image.settings) },
    { type: SECTION.names, payload: writeNames(image.names) },
    { type: SECTION.made, payload: writeMade(image.made) },
    { type: SECTION.macroNames, payload: writeMacroNames(image.macros) },
    { type: SECTION.stepNames, payload: writeStepNames(image.stepNames) },
    ...image.unknown,
  ].filter(({ type, payload }) => payload.length > 0 || type === SECTION.layers || !KNOWN_TYPES.has(type))
}

const KNOWN_TYPES = new Set<number>(Object.values(SECTION))

const sectionReaders: Record<number, ((image: OnboardImage, payload: ByteReader) => void) | undefined> = {
  [SECTION.name]: (image, payload) => {
    image.name = payload.text()
  },
  [SECTION.bindings]: readLayer,
  [SECTION.steps]: (image, payload) => Object.assign(image, readSteps(payload)),
  [SECTION.stepNames]: (image, payload) => {
    while (payload.left > 0)
      image.stepNames.push({ step: payload.u8(), name: payload.sub(payload.varint()).text() })
  },
  [SECTION.settings]: (image, payload) => {
    image.settings = readSettings(payload)
  },
  [SECTION.polling]: (image, payload) => {
    while (payload.left > 0) {
      image.polling.push({ connection: payload.u8(), rateHz: payload.u8() * POLLING_UNIT_HZ })
    }
  },
  [SECTION.light]: (image, payload) => {
    image.light.push(...readLight(payload))
  },
  [SECTION.layers]: (image, payload) => {
    image.layersListed = true
    while (payload.left > 0) {
      const layer = layerAt(image, payload.u8())
      const properties = payload.sub(payload.varint())
      layer.colour = properties.u8()
      layer.signal = properties.u8()
      layer.name = properties.text()
    }
  },
  [SECTION.names]: (image, payload) => {
    while (payload.left > 0) {
      const [layer, input] = [payload.u8(), payload.u8()]
      image.names.push({ layer, input, name: payload.sub(payload.varint()).text() })
    }
  },
  [SECTION.macros]: (image, payload) => {
    while (payload.left > 0) {
      const number = payload.u8()
      macroAt(image.macros, number).code = payload.sub(payload.varint()).rest().slice()
    }
  },
  [SECTION.macroNames]: (image, payload) => {
    while (payload.left > 0) {
      const number = payload.u8()
      macroAt(image.macros, number).name = payload.sub(payload.varint()).text()
    }
  },
  [SECTION.made]: (image, payload) => {
    image.made = { system: payload.u8(), layout: payload.u8Or(0), hand: payload.u8Or(0) }
  },
}

/** For each layer over the base: its number, and a length before its properties, which may grow. */
function writeLayerTable(layers: readonly ImageLayer[]): Uint8Array {
  const writer = new ByteWriter()
  layers.slice(1).forEach(({ colour, signal, name }, index) => {
    const text = new TextEncoder().encode(name)
    writer.u8(index + 1)
    writer.varint(2 + text.length)
    writer.bytes([colour, signal, ...text])
  })
  return writer.toBytes()
}

function writeNames(names: OnboardImage['names']): Uint8Array {
  const writer = new ByteWriter()
  for (const { layer, input, name } of names) {
    writer.bytes([layer, input])
    writer.text(name)
  }
  return writer.toBytes()
}

function writeStepNames(names: OnboardImage['stepNames']): Uint8Array {
  const writer = new ByteWriter()
  for (const { step, name } of names) {
    writer.u8(step)
    writer.text(name)
  }
  return writer.toBytes()
}

const writeMade = ({ system, layout, hand }: MadeFor): Uint8Array =>
  system === 0 && layout === 0 && hand === 0 ? new Uint8Array() : Uint8Array.of(system, layout, hand)

function writeLayer(index: number, layer: ImageLayer): Uint8Array {
  const writer = new ByteWriter()
  writer.u8(index)
  for (const [input, action] of [...layer.bindings].sort(([a], [b]) => a - b)) {
    writer.u8(input)
    writeAction(writer, action)
  }
  return writer.toBytes()
}

function readLayer(image: OnboardImage, payload: ByteReader): void {
  const { bindings } = layerAt(image, payload.u8())
  while (payload.left > 0) bindings.set(payload.u8(), readAction(payload))
}

function layerAt(image: OnboardImage, index: number): ImageLayer {
  if (index > MOST_LAYER_INDEX) throw new ImageError(`layer ${index}: layers go up to ${MOST_LAYER_INDEX}`)
  while (image.layers.length <= index) image.layers.push(emptyLayer())
  return image.layers[index]
}

/** A layer that says nothing. */
export const emptyLayer = (): ImageLayer => ({ bindings: new Map(), name: '', colour: 0, signal: 0 })

const MOST_LAYER_INDEX = 15

function writePolling(image: OnboardImage): Uint8Array {
  return Uint8Array.from(
    image.polling.flatMap(({ connection, rateHz }) => [connection, rateHz / POLLING_UNIT_HZ]),
  )
}
