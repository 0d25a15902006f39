import { ByteReader, ByteWriter, ImageError } from '../base/bytes'
import { crc32 } from '../base/crc32'
import { ProfileError } from '../base/refusal'
import { compileProfile } from '../compile/compile'
import { decompileImage, macrosOfImage } from '../compile/decompile'
import { modelByNumber } from '../device/models'
import type { DeviceModel } from '../device/model'
import { EMPTY_SHELF, shelfOf, type MacroShelf } from '../document/macro'
import type { ProfileFile } from '../files/profile-file'
import { PLAY_RULES, parseProfile, type Profile } from '../document/schema'
import { decodeImage } from '../onboard/format'
import { squeezed, unsqueezed } from './squeezed'

/**
 * A profile as a text that a link, a message or a QR code can hold (docs/file-formats.md, "Links"): the image its device
 * keeps, and beside it what no device does, its tags and rules for play. Notes stay at home.
 *
 * Bytes: 1 for the version; then, deflated, the image behind its length, a byte of rules, the tags behind their count;
 * then the CRC-32 of all that. As base64url without padding (RFC 4648).
 */
const VERSION = 1
/** Characters a whole link may have: what every messenger and QR code takes. */
export const MOST_LINK = 2000
/** Bytes an image and the words beside it may have. */
const MOST_CONTENT = 1 << 17
const CRC_BYTES = 4

/**
 * @returns the text of a profile; however long it is
 * @throws CompileError where it cannot be an image
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
  writer.bytes(squeezed(content.toBytes()))
  writer.u32(crc32(writer.toBytes()))
  return toBase64Url(writer.toBytes())
}

/** The address that opens a profile: all of it stands behind the #, which no browser sends to a server. */
export const shareLink = (origin: string, text: string): string => `${origin}/open#${text}`

/** What is shared in whatever a person pastes: a whole link, or its text alone. */
export const sharedIn = (typed: string): string => typed.trim().replace(/^.*#/s, '')

/**
 * Takes anything and returns the profile that is shared in it, with its macros.
 *
 * @throws ProfileError that says what is wrong
 */
export function readShared(text: string): ProfileFile {
  if (text.length > MOST_CONTENT) throw new ProfileError(['this is longer than any link to a profile'])
  const bytes = fromBase64Url(text)
  // Bits that stand for nothing are 0: a text is one profile, and a profile one text.
  if (bytes.length < 1 + CRC_BYTES || toBase64Url(bytes) !== text)
    throw new ProfileError(['this is no link to a profile: its end is missing or was changed'])
  const body = bytes.subarray(0, -CRC_BYTES)
  if (new ByteReader(bytes.subarray(-CRC_BYTES)).u32() !== crc32(body))
    throw new ProfileError(['the link is damaged: a part of it is missing or was changed on its way'])
  if (body[0] !== VERSION)
    throw new ProfileError([`the link is of version ${body[0]}, later than this Unisera reads (${VERSION})`])
  try {
    return contentOf(new ByteReader(unsqueezed(body.subarray(1), MOST_CONTENT)))
  } catch (error) {
    if (error instanceof ImageError) throw new ProfileError([`the link holds no profile: ${error.message}`])
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
  if (reader.left > 0) throw new ImageError(`${reader.left} bytes follow its end`)
  const number = decodeImage(image).model
  const model = modelByNumber(number)
  if (!model) throw new ImageError(`no device model of number ${number} is known here`)
  const macros = macrosOfImage(image, EMPTY_SHELF)
  const profile = decompileImage(image, model, shelfOf(macros))
  const rules = PLAY_RULES.filter((_, bit) => (bits & (1 << bit)) !== 0)
  return { profile: parseProfile({ ...profile, tags, rules }), macros }
}

function toBase64Url(bytes: Uint8Array): string {
  const signs: string[] = []
  for (const byte of bytes) signs.push(String.fromCharCode(byte))
  return btoa(signs.join('')).replaceAll('+', '-').replaceAll('/', '_').replace(/=+$/, '')
}

/** @throws ProfileError for what has other characters */
function fromBase64Url(text: string): Uint8Array {
  if (!/^[\w-]*$/.test(text) || text.length % 4 === 1)
    throw new ProfileError(['this is no link to a profile: it has characters that no such link has'])
  const signs = atob(text.replaceAll('-', '+').replaceAll('_', '/'))
  return Uint8Array.from(signs, (sign) => sign.charCodeAt(0))
}
