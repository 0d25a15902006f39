import { deflateSync, Inflate } from 'fflate'
import { ProfileError } from '../base/errors'
import { message } from '../message/message'

/** Raw deflate (RFC 1951) with a limit on the output: a small text may claim to be a very large one. */

export const deflateBytes = (bytes: Uint8Array): Uint8Array => deflateSync(bytes, { level: 9 })

/** Input is processed in pieces of this many bytes, each of which expands at most a thousandfold. */
const PIECE = 512

/**
 * @param most maximum number of output bytes
 * @throws ProfileError for damaged or too large data
 */
export function inflateBytes(bytes: Uint8Array, max: number): Uint8Array {
  const pieces: Uint8Array[] = []
  let length = 0
  let ended = false
  const inflate = new Inflate((piece, last) => {
    pieces.push(piece)
    length += piece.length
    ended ||= last
  })
  try {
    // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- a callback sets it
    for (let at = 0; at < bytes.length && length <= max && !ended; at += PIECE)
      inflate.push(bytes.subarray(at, at + PIECE), at + PIECE >= bytes.length)
  } catch {
    throw new ProfileError([message('problems.cannotUnpack')])
  }
  if (length > max) throw new ProfileError([message('problems.unpacksTooLarge', { max })])
  // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- a callback sets it
  if (!ended) throw new ProfileError([message('problems.endMissing')])
  const whole = new Uint8Array(length)
  let at = 0
  for (const piece of pieces) {
    whole.set(piece, at)
    at += piece.length
  }
  return whole
}
