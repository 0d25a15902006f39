import { zlibSync } from 'fflate'
import { itemAt } from '../base/items'
import { crc32 } from '../base/crc32'
import { ProfileError } from '../base/errors'
import { inflateBytes } from './deflate'
import { message } from '../message/message'

/**
 * A text inside a picture: in an SVG as its `metadata`, in a PNG as an `iTXt` chunk (PNG, third edition, 11.3.3.4). Any
 * program shows the picture; Unisera reads the profile from it.
 */
const KEYWORD = 'unisera-profile'
/** Maximum number of characters and bytes of the text. */
const MAX_TEXT = 4 << 20

const SIGNATURE = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]
const CHUNK_FRAME = 12

const isPng = (bytes: Uint8Array): boolean => SIGNATURE.every((byte, at) => bytes[at] === byte)

/** The same picture with the text before its end. */
export function embedInPng(png: Uint8Array, text: string): Uint8Array<ArrayBuffer> {
  const chunk = textChunk(text)
  const end = png.length - CHUNK_FRAME
  const whole = new Uint8Array(png.length + chunk.length)
  whole.set(png.subarray(0, end))
  whole.set(chunk, end)
  whole.set(png.subarray(end), end + chunk.length)
  return whole
}

/**
 * Keyword, 0; compressed by zlib, 1 and 0; no language and no translation of the keyword, 0 and 0; then the text.
 */
function textChunk(text: string): Uint8Array {
  const packed = zlibSync(new TextEncoder().encode(text), { level: 9 })
  const data = Uint8Array.from([...new TextEncoder().encode(KEYWORD), 0, 1, 0, 0, 0, ...packed])
  const chunk = new Uint8Array(CHUNK_FRAME + data.length)
  const view = new DataView(chunk.buffer)
  view.setUint32(0, data.length)
  chunk.set(new TextEncoder().encode('iTXt'), 4)
  chunk.set(data, 8)
  view.setUint32(8 + data.length, crc32(chunk.subarray(4, 8 + data.length)))
  return chunk
}

/**
 * The text in a PNG.
 *
 * @throws ProfileError for a picture without one, or a damaged picture
 */
function textOfPng(bytes: Uint8Array): string {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  for (let at = SIGNATURE.length; at + CHUNK_FRAME <= bytes.length;) {
    const length = view.getUint32(at)
    if (length > bytes.length - at - CHUNK_FRAME) throw new ProfileError([message('problems.pictureDamaged')])
    const type = String.fromCharCode(...bytes.subarray(at + 4, at + 8))
    const data = bytes.subarray(at + 8, at + 8 + length)
    if (type === 'iTXt' && keywordOf(data) === KEYWORD) {
      if (view.getUint32(at + 8 + length) !== crc32(bytes.subarray(at + 4, at + 8 + length)))
        throw new ProfileError([message('problems.pictureChanged')])
      return textOf(data)
    }
    at += CHUNK_FRAME + length
  }
  throw new ProfileError([message('problems.pictureEmpty')])
}

function keywordOf(data: Uint8Array): string {
  const end = data.indexOf(0)
  return end < 0 || end > 79 ? '' : String.fromCharCode(...data.subarray(0, end))
}

function textOf(data: Uint8Array): string {
  const head = data.indexOf(0) + 1
  const compressed = data[head] === 1
  const language = data.indexOf(0, head + 2)
  const translated = language < 0 ? -1 : data.indexOf(0, language + 1)
  if (translated < 0) throw new ProfileError([message('problems.pictureProfileDamaged')])
  const rest = data.subarray(translated + 1)
  // The two bytes before and the four after the deflated data of zlib (RFC 1950) are removed.
  const bytes = compressed ? inflateBytes(rest.subarray(2), MAX_TEXT) : rest
  return new TextDecoder().decode(bytes)
}

/**
 * The text of a file: its own, or the one inside a picture.
 *
 * @throws ProfileError for a picture without one
 */
export function extractText(bytes: Uint8Array): string {
  if (isPng(bytes)) return textOfPng(bytes)
  const text = new TextDecoder().decode(bytes)
  return isSvg(text) ? textOfSvg(text) : text
}

const METADATA = new RegExp(`<metadata id="${KEYWORD}">([^<]*)</metadata>`)
const ENTITIES: Record<string, string> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" }

/** The same drawing with the text after its opening tag. */
export function embedInSvg(svg: string, text: string): string {
  const escaped = text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;')
  return svg.replace(/<svg[^>]*>/, (tag) => `${tag}<metadata id="${KEYWORD}">${escaped}</metadata>`)
}

const isSvg = (text: string): boolean => /^\s*(<\?xml[^>]*\?>\s*)?<svg[\s>]/.test(text.slice(0, 1000))

/** The text in an SVG. @throws ProfileError for a drawing without one */
function textOfSvg(svg: string): string {
  const found = METADATA.exec(svg)
  if (!found) throw new ProfileError([message('problems.drawingEmpty')])
  return itemAt(found, 1).replace(/&(amp|lt|gt|quot|apos);/g, (_, name: string) => ENTITIES[name] ?? '')
}
