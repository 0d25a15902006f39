import { readAction, writeAction, type ImageAction } from './actions'
import { readLight, writeLight, type ZoneStack } from './light-codec'
import { ByteReader, ByteWriter, ImageError } from './bytes'
import { crc32 } from './crc32'
import { macroAt, macroNumber, writeMacroNames, writeMacros, type ImageMacro } from './macro-section'
import type { DeviceSettings } from '../motion/settings'
import { readSettings, writeSettings, type UnknownRecord } from './settings-section'
import { readSteps, writeSteps, type ImageStep } from './steps-section'

export type { ImageStep } from './steps-section'

/**
 * The onboard format's one definition (docs/onboard-format.md). The compiler writes it, the firmware reads it,
 * and both do it here.
 */
export interface OnboardImage {
  /** Number of the device model the image is for, and which revision of it; 0 is the first. */
  model: number
  revision: number
  /** Minor version of the format its writer used. */
  minor: number
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
  /** Settings of a later version. */
  settingsKept: UnknownRecord[]
  /** Whether the image says which layers lie over the base layer; if not, they are the factory's. */
  layersListed: boolean
  /** What bindings are called in the game, by layer and input number. */
  names: { layer: number; input: number; name: string }[]
  /** Byte code of macros and what each is called, by number. */
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
/** What 1.1 added: the base layer among the layers, the revision of the model, operations that say their length. */
export const MINOR_VERSION = 1
/** A reader that does not know a section of this type or a higher one refuses the image. */
export const MUST_UNDERSTAND = 0x80
export const HEADER_BYTES = 8
export const TRAILER_BYTES = 4
/** The length field has 16 bits. */
export const MOST_IMAGE_BYTES = 0xffff
export const POLLING_UNIT_HZ = 125

export const SECTION = {
  name: 1,
  bindings: 2,
  steps: 3,
  polling: 4,
  light: 5,
  layers: 6,
  macros: 7,
  names: 8,
  settings: 10,
  made: 11,
  macroNames: 12,
  stepNames: 13,
  revision: 14,
} as const

/** Layers an image may have over the base layer, and signals they may be shared by. */
export const MOST_UPPER_LAYERS = 7
export const MOST_SIGNAL = 7

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
  writer.u8(minorOf(image))
  writer.u16(image.model)
  writer.u16(length)
  writer.bytes(body.toBytes())
  writer.u32(crc32(writer.toBytes()))
  return { bytes: writer.toBytes(), sections }
}

/** The least minor version that has all that is in the image. */
const minorOf = (image: OnboardImage): number =>
  Math.max(image.minor, image.revision > 0 || image.layers.some(saysBase) ? MINOR_VERSION : 0)

/** An image that says nothing: all is as the factory set it. */
export const emptyImage = (model: number): OnboardImage => ({
  model,
  revision: 0,
  minor: 0,
  name: '',
  layers: [],
  steps: [],
  stepNames: [],
  defaultStep: 0,
  polling: [],
  light: [],
  unknown: [],
  layersListed: false,
  names: [],
  macros: [],
  settings: {},
  settingsKept: [],
  made: { system: 0, layout: 0, hand: 0 },
})

/**
 * Reads an image; bytes after its end are not looked at. Sections it does not know are kept in `unknown`.
 *
 * @throws ImageError saying what is wrong: not an image, a later version, cut short, a CRC that does not match, or
 *   content that says one thing twice or contradicts itself
 */
export function decodeImage(bytes: Uint8Array): OnboardImage {
  const { model, minor, length } = readHeader(bytes)
  const image = { ...emptyImage(model), minor }
  const body = new ByteReader(bytes.subarray(HEADER_BYTES, length - TRAILER_BYTES))
  const said: Said = new Set()
  while (body.left > 0) {
    const type = body.u8()
    const payload = body.sub(body.varint())
    const read = sectionReaders[type]
    if (!read && type >= MUST_UNDERSTAND)
      throw new ImageError(`section ${type} of a later version, without which the image means something else`)
    if (read && type !== SECTION.bindings) once(said, `section ${type}`)
    if (read) read(image, payload, said)
    else image.unknown.push({ type, payload: payload.rest().slice() })
  }
  refuseUnlisted(image, said)
  return image
}

/** What an image has said so far. */
type Said = Set<string>

/** Remembers that something was said. @throws ImageError when it was said before */
function once(said: Said, what: string): void {
  if (said.has(what)) throw new ImageError(`${what}: there twice`)
  said.add(what)
}

/** Where the layers are listed, bindings of another have no place. */
function refuseUnlisted(image: OnboardImage, said: Said): void {
  if (!image.layersListed) return
  const missing = image.layers.findIndex((_, layer) => layer > 0 && !said.has(listedAs(layer)))
  if (missing > 0)
    throw new ImageError(`layer ${missing} is not in the list of layers, and one that needs it is there`)
}

const listedAs = (layer: number): string => `layer ${layer} in the list`

/**
 * Whether an image is for a device of a model; whoever writes or uses one asks.
 *
 * @param model the number of the model, and how many layers its factory set over the base layer
 * @throws ImageError when it is for another, or has bindings of a layer that is neither listed nor the factory's
 */
export function refuseForModel(image: OnboardImage, model: { number: number; factoryLayers: number }): void {
  if (image.model !== model.number)
    throw new ImageError(`the image is for model number ${hex(image.model)}, this is ${hex(model.number)}`)
  if (!image.layersListed && image.layers.length - 1 > model.factoryLayers)
    throw new ImageError(
      `layer ${image.layers.length - 1} has bindings, and is neither listed nor the factory's`,
    )
}

const hex = (value: number): string => `0x${value.toString(16).padStart(4, '0')}`

/**
 * Looks at the header and the CRC alone.
 *
 * @throws ImageError as {@link decodeImage} does
 */
export function readHeader(bytes: Uint8Array): { model: number; minor: number; length: number } {
  if (bytes.length < HEADER_BYTES + TRAILER_BYTES) {
    throw new ImageError(
      `this is no image: ${bytes.length} bytes are fewer than a header and a checksum take`,
    )
  }
  const { magic, version, minor, model, length } = headerFields(bytes)
  if (magic !== MAGIC) throw new ImageError('this is no image: it does not begin with the bytes 55 53')
  if (version !== FORMAT_VERSION)
    throw new ImageError(`format version ${version}; this reader knows ${FORMAT_VERSION}`)
  if (length < HEADER_BYTES + TRAILER_BYTES || length > bytes.length) {
    throw new ImageError(`the image says it has ${length} bytes, ${bytes.length} are there`)
  }
  const stored = new ByteReader(bytes.subarray(length - TRAILER_BYTES, length)).u32()
  const computed = crc32(bytes.subarray(0, length - TRAILER_BYTES))
  if (stored !== computed) {
    const hex = (value: number) => value.toString(16).padStart(8, '0').toUpperCase()
    throw new ImageError(`the checksum does not match: ${hex(stored)} stored, ${hex(computed)} computed`)
  }
  return { model, minor, length }
}

/** The fields of a header, not looked at. @throws ImageError when there are fewer bytes than it takes */
export function headerFields(bytes: Uint8Array): {
  magic: number
  version: number
  minor: number
  model: number
  length: number
} {
  const reader = new ByteReader(bytes)
  const magic = reader.u16()
  const [version, minor] = [reader.u8(), reader.u8()]
  return { magic, version, minor, model: reader.u16(), length: reader.u16() }
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
    { type: SECTION.settings, payload: writeSettings(image.settings, image.settingsKept) },
    { type: SECTION.names, payload: writeNames(image.names) },
    { type: SECTION.made, payload: writeMade(image.made) },
    { type: SECTION.macroNames, payload: writeMacroNames(image.macros) },
    { type: SECTION.stepNames, payload: writeStepNames(image.stepNames) },
    {
      type: SECTION.revision,
      payload: image.revision > 0 ? Uint8Array.of(image.revision) : new Uint8Array(),
    },
    ...image.unknown,
  ].filter(({ type, payload }) => payload.length > 0 || type === SECTION.layers || !KNOWN_SECTIONS.has(type))
}

/** Types of sections this version knows. */
export const KNOWN_SECTIONS: ReadonlySet<number> = new Set<number>(Object.values(SECTION))

type SectionReader = (image: OnboardImage, payload: ByteReader, said: Said) => void

const sectionReaders: Record<number, SectionReader | undefined> = {
  [SECTION.name]: (image, payload) => {
    image.name = payload.text()
  },
  [SECTION.bindings]: readLayer,
  [SECTION.steps]: (image, payload) => Object.assign(image, readSteps(payload)),
  [SECTION.stepNames]: (image, payload, said) => {
    while (payload.left > 0) {
      const step = payload.u8()
      once(said, `the name of step ${step}`)
      image.stepNames.push({ step, name: payload.sub(payload.varint()).text() })
    }
  },
  [SECTION.settings]: (image, payload) => {
    const { settings, kept } = readSettings(payload)
    Object.assign(image, { settings, settingsKept: kept })
  },
  [SECTION.revision]: (image, payload) => {
    image.revision = payload.u8()
  },
  [SECTION.polling]: (image, payload, said) => {
    while (payload.left > 0) {
      const connection = payload.u8()
      once(said, `the rate of connection ${connection}`)
      image.polling.push({ connection, rateHz: payload.u8() * POLLING_UNIT_HZ })
    }
  },
  [SECTION.light]: (image, payload) => {
    image.light.push(...readLight(payload))
  },
  [SECTION.layers]: (image, payload, said) => {
    image.layersListed = true
    while (payload.left > 0) {
      const number = payload.u8()
      const layer = layerAt(image, number)
      once(said, listedAs(number))
      const properties = payload.sub(payload.varint())
      layer.colour = properties.u8()
      const signal = properties.u8()
      layer.signal = signal > MOST_SIGNAL ? 0 : signal
      layer.name = properties.text()
    }
  },
  [SECTION.names]: (image, payload, said) => {
    while (payload.left > 0) {
      const [layer, input] = [payload.u8(), payload.u8()]
      once(said, `the name of input ${input} on layer ${layer}`)
      image.names.push({ layer, input, name: payload.sub(payload.varint()).text() })
    }
  },
  [SECTION.macros]: (image, payload, said) => {
    while (payload.left > 0) {
      const number = macroNumber(payload.u8())
      once(said, `macro ${number}`)
      macroAt(image.macros, number).code = payload.sub(payload.varint()).rest().slice()
    }
  },
  [SECTION.macroNames]: (image, payload, said) => {
    while (payload.left > 0) {
      const number = macroNumber(payload.u8())
      once(said, `the name of macro ${number}`)
      macroAt(image.macros, number).name = payload.sub(payload.varint()).text()
    }
  },
  [SECTION.made]: (image, payload) => {
    image.made = { system: payload.u8(), layout: payload.u8Or(0), hand: payload.u8Or(0) }
  },
}

/**
 * For each layer over the base, and the base layer where it is not called as the factory calls it: its number, and a
 * length before its properties, which may grow.
 */
function writeLayerTable(layers: readonly ImageLayer[]): Uint8Array {
  const writer = new ByteWriter()
  layers.forEach((layer, index) => {
    if (index === 0 && !saysBase(layer, index)) return
    const { colour, signal, name } = layer
    const text = new TextEncoder().encode(name)
    writer.u8(index)
    writer.varint(2 + text.length)
    writer.bytes([colour, signal, ...text])
  })
  return writer.toBytes()
}

/** Whether the base layer has a name, a colour or a signal of its own. */
const saysBase = ({ name, colour, signal }: ImageLayer, index: number): boolean =>
  index === 0 && (name !== '' || colour !== 0 || signal !== 0)

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

function readLayer(image: OnboardImage, payload: ByteReader, said: Said): void {
  const number = payload.u8()
  const { bindings } = layerAt(image, number)
  once(said, `the bindings of layer ${number}`)
  while (payload.left > 0) {
    const input = payload.u8()
    once(said, `input ${input} on layer ${number}`)
    bindings.set(input, readAction(payload))
  }
}

function layerAt(image: OnboardImage, index: number): ImageLayer {
  if (index > MOST_UPPER_LAYERS) throw new ImageError(`layer ${index}: layers go up to ${MOST_UPPER_LAYERS}`)
  while (image.layers.length <= index) image.layers.push(emptyLayer())
  return image.layers[index]
}

/** A layer that says nothing. */
export const emptyLayer = (): ImageLayer => ({ bindings: new Map(), name: '', colour: 0, signal: 0 })

function writePolling(image: OnboardImage): Uint8Array {
  return Uint8Array.from(
    image.polling.flatMap(({ connection, rateHz }) => [connection, rateHz / POLLING_UNIT_HZ]),
  )
}
