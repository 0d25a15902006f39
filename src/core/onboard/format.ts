import { ByteReader, ByteWriter, ImageError } from '../base/bytes'
import { crc32 } from '../base/crc32'
import { emptyImage, SECTION, type OnboardImage } from './image'
import { once, refuseUnlisted, saysBase, sectionReaders, sectionsOf, type Said } from './sections'

/**
 * The onboard format's one definition (docs/onboard-format.md), with its sections beside it. The compiler writes it,
 * the firmware reads it, and both do it here.
 */
export const MAGIC = 0x5355
export const FORMAT_VERSION = 1
/**
 * What 1.1 added: the base layer among the layers, the revision of the model, operations that say their length.
 * What 1.2 added: light as one stack (sections 9 and 15).
 */
export const MINOR_VERSION = 2
const LISTS_BASE_MINOR = 1
/** A reader that does not know a section of this type or a higher one refuses the image. */
export const MUST_UNDERSTAND = 0x80
export const HEADER_BYTES = 8
export const TRAILER_BYTES = 4
/** The length field has 16 bits. */
export const MOST_IMAGE_BYTES = 0xffff
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
function minorOf({ minor, light, revision, layers }: OnboardImage): number {
  const due = light ? MINOR_VERSION : revision > 0 || layers.some(saysBase) ? LISTS_BASE_MINOR : 0
  return Math.max(minor, due)
}

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
