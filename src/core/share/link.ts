import { ByteReader, ByteWriter, ImageError } from '../base/bytes'
import { crc32 } from '../base/crc32'
import { ProfileError } from '../base/errors'
import { compileProfile } from '../compile/compile'
import { decompileImage, decompileMacros } from '../compile/decompile'
import { modelByNumber } from '../device/models'
import type { DeviceModel } from '../device/model'
import { EMPTY_SHELF, shelfOf, type MacroShelf } from '../document/macro'
import type { ProfileFile } from '../files/profile-file'
import { PLAY_RULES, parseProfile, type Profile } from '../document/schema'
import { decodeImage } from '../onboard/format'
import { deflateBytes, inflateBytes } from './deflate'
import { message } from '../message/message'

/**
 * A profile as a text for links, messages and QR codes (docs/file-formats.md, "Links"): the image for its device, and
 * the parts that devices do not store, its tags and rules for play. Notes are not included.
 *
 * Bytes: 1 for the version; then, deflated, the image after its length, a byte of rules, the tags after their count;
 * then the CRC-32 of all that. Encoded as base64url without padding (RFC 4648).
 */
const VERSION = 1
/** Maximum length of a whole link, which all messengers and QR codes support. */
export const MAX_LINK_CHARACTERS = 2000
/** Maximum size of the image and the other parts. */
const MAX_CONTENT = 1 << 17
const CRC_BYTES = 4

/**
 * @returns the text of a profile, of any length
 * @throws CompileError if it cannot become an image
 */
export function shareText(profile: Profile, model: DeviceModel, macros: MacroShelf = EMPTY_SHELF): string {
  const { bytes } = compileProfile(profile, model, macros)
  const content = new ByteWriter()
  content.varint(bytes.length)
  content.bytes(bytes)
  content.u8(PLAY_RULES.reduce((bits, rule, bit) => bits | (profile.rules.includes(rule) ? 1 << bit : 0), 0))
  content.varint(profile.tags.length)
  for (const tag of profile.tags) content.text(tag)
  const writer = new ByteWriter()
  writer.u8(VERSION)
  writer.bytes(deflateBytes(content.toBytes()))
  writer.u32(crc32(writer.toBytes()))
  return toBase64Url(writer.toBytes())
}

/** The address that opens a profile: everything is after the #, which browsers do not send to a server. */
export const shareLink = (origin: string, text: string): string => `${origin}/open#${text}`

/** The shared text in whatever a person pastes: a whole link, or only its text. */
export const extractShared = (typed: string): string => typed.trim().replace(/^.*#/s, '')

/**
 * Validates any text as a shared profile with its macros.
 *
 * @throws ProfileError with the problem
 */
export function readShared(text: string): ProfileFile {
  if (text.length > MAX_CONTENT) throw new ProfileError([message('problems.linkTooLong')])
  const bytes = fromBase64Url(text)
  // Unused bits are 0, so that each profile has exactly one text.
  if (bytes.length < 1 + CRC_BYTES || toBase64Url(bytes) !== text)
    throw new ProfileError([message('problems.linkEnd')])
  const body = bytes.subarray(0, -CRC_BYTES)
  if (new ByteReader(bytes.subarray(-CRC_BYTES)).u32() !== crc32(body))
    throw new ProfileError([message('problems.linkDamaged')])
  if (body[0] !== VERSION)
    throw new ProfileError([message('problems.linkVersion', { found: body[0] ?? 0, max: VERSION })])
  try {
    return contentOf(new ByteReader(inflateBytes(body.subarray(1), MAX_CONTENT)))
  } catch (error) {
    if (error instanceof ImageError)
      throw new ProfileError(error.reasons.map((problem) => message('problems.linkNoProfile', { problem })))
    throw error
  }
}

/** @throws ImageError, ProfileError */
function contentOf(reader: ByteReader): ProfileFile {
  const image = Uint8Array.from(reader.sub(reader.varint()).rest())
  const bits = reader.u8()
  const tags = Array.from({ length: Math.min(reader.varint(), reader.left) }, () =>
    reader.sub(reader.varint()).text(),
  )
  if (reader.left > 0) throw new ImageError(message('images.bytesFollow', { left: reader.left }))
  const number = decodeImage(image).model
  const model = modelByNumber(number)
  if (!model) throw new ImageError(message('images.unknownModel', { number }))
  const macros = decompileMacros(image, EMPTY_SHELF)
  const profile = decompileImage(image, model, shelfOf(macros))
  const rules = PLAY_RULES.filter((_, bit) => (bits & (1 << bit)) !== 0)
  return { profile: parseProfile({ ...profile, tags, rules }), macros }
}

function toBase64Url(bytes: Uint8Array): string {
  const signs: string[] = []
  for (const byte of bytes) signs.push(String.fromCharCode(byte))
  return btoa(signs.join('')).replaceAll('+', '-').replaceAll('/', '_').replace(/=+$/, '')
}

/** @throws ProfileError for invalid characters */
function fromBase64Url(text: string): Uint8Array {
  if (!/^[\w-]*$/.test(text) || text.length % 4 === 1)
    throw new ProfileError([message('problems.linkCharacters')])
  const signs = atob(text.replaceAll('-', '+').replaceAll('_', '/'))
  return Uint8Array.from(signs, (sign) => sign.charCodeAt(0))
}
