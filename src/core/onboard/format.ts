import { ByteReader, ByteWriter, ImageError } from '../base/bytes'
import { crc32 } from '../base/crc32'
import { emptyImage, SECTION, type OnboardImage } from './image'
import {
  markRead,
  rejectUnlistedLayers,
  hasBaseLayerData,
  sectionReaders,
  sectionsOf,
  type ReadParts,
} from './sections'
import { message } from '../message/message'

/**
 * The single definition of the onboard format (docs/onboard-format.md), with its sections in neighbouring files. The
 * compiler writes and the firmware reads images with it.
 */
export const MAGIC = 0x5355
export const FORMAT_VERSION = 1
/**
 * 1.1 added the base layer among the layers, the revision of the model, and operations with a length. 1.2 added light
 * as one stack (sections 9 and 15).
 */
export const MINOR_VERSION = 2
const LISTS_BASE_MINOR = 1
/** A reader refuses the image if it does not know a section of this type or higher. */
export const MUST_UNDERSTAND = 0x80
export const HEADER_BYTES = 8
export const TRAILER_BYTES = 4
/** The length field has 16 bits. */
export const MAX_IMAGE_BYTES = 0xffff
/** Length of a section's type and length fields, and of its payload, in the image. */
export interface SectionSize {
  type: number
  bytes: number
}

/**
 * @returns the bytes of the image, and the size of each section (without header and CRC)
 * @throws ImageError if the image would be longer than its length field allows
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
  if (length > MAX_IMAGE_BYTES)
    throw new ImageError(message('images.imageTooLarge', { length, max: MAX_IMAGE_BYTES }))
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

/** The lowest minor version that has all parts of the image. */
function minorOf({ minor, light, revision, layers }: OnboardImage): number {
  const due = light ? MINOR_VERSION : revision > 0 || layers.some(hasBaseLayerData) ? LISTS_BASE_MINOR : 0
  return Math.max(minor, due)
}

/**
 * Reads an image and ignores bytes after its end. Unknown sections are kept in `unknown`.
 *
 * @throws ImageError with the problem: not an image, a later version, incomplete, a wrong CRC, or repeated or
 *   contradictory content
 */
export function decodeImage(bytes: Uint8Array): OnboardImage {
  const { model, minor, length } = readHeader(bytes)
  const image = { ...emptyImage(model), minor }
  const body = new ByteReader(bytes.subarray(HEADER_BYTES, length - TRAILER_BYTES))
  const said: ReadParts = new Set()
  while (body.left > 0) {
    const type = body.u8()
    const payload = body.sub(body.varint())
    const read = sectionReaders[type]
    if (!read && type >= MUST_UNDERSTAND)
      throw new ImageError(message('images.laterSection', { number: type }))
    if (read && type !== SECTION.bindings) markRead(said, message('images.section', { number: type }))
    if (read) read(image, payload, said)
    else image.unknown.push({ type, payload: payload.rest().slice() })
  }
  rejectUnlistedLayers(image, said)
  return image
}

/**
 * Checks that an image is for a device of a model, before it is written or used.
 *
 * @param model the number of the model, and the number of its factory layers above the base layer
 * @throws ImageError if it is for another model, or has bindings of a layer that is neither listed nor a factory layer
 */
export function checkModel(image: OnboardImage, model: { number: number; factoryLayers: number }): void {
  if (image.model !== model.number)
    throw new ImageError(
      message('images.otherModel', { found: hex(image.model), expected: hex(model.number) }),
    )
  if (!image.layersListed && image.layers.length - 1 > model.factoryLayers)
    throw new ImageError(message('images.unlistedLayer', { layer: image.layers.length - 1 }))
}

const hex = (value: number): string => `0x${value.toString(16).padStart(4, '0')}`

/**
 * Checks only the header and the CRC.
 *
 * @throws ImageError as {@link decodeImage} does
 */
export function readHeader(bytes: Uint8Array): { model: number; minor: number; length: number } {
  if (bytes.length < HEADER_BYTES + TRAILER_BYTES) {
    throw new ImageError(message('images.tooShort', { length: bytes.length }))
  }
  const { magic, version, minor, model, length } = headerFields(bytes)
  if (magic !== MAGIC) throw new ImageError(message('images.noMagic'))
  if (version !== FORMAT_VERSION)
    throw new ImageError(message('images.version', { found: version, expected: FORMAT_VERSION }))
  if (length < HEADER_BYTES + TRAILER_BYTES || length > bytes.length) {
    throw new ImageError(message('images.length', { expected: length, found: bytes.length }))
  }
  const stored = new ByteReader(bytes.subarray(length - TRAILER_BYTES, length)).u32()
  const computed = crc32(bytes.subarray(0, length - TRAILER_BYTES))
  if (stored !== computed) {
    const hex = (value: number) => value.toString(16).padStart(8, '0').toUpperCase()
    throw new ImageError(message('images.checksum', { stored: hex(stored), computed: hex(computed) }))
  }
  return { model, minor, length }
}

/** The fields of a header, unchecked. @throws ImageError if there are too few bytes */
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
 * CRC-32 of an image without its trailer, which identifies it. (With the trailer, the CRC of all images would be the
 * same.)
 */
export const imageChecksum = (image: Uint8Array): number =>
  crc32(image.subarray(0, Math.max(0, image.length - TRAILER_BYTES)))
