import { deflateSync, Inflate } from 'fflate'
import { ProfileError } from '../base/refusal'

/** Raw deflate (RFC 1951), with a bound on what comes out: a small text may say that it is a very large one. */

export const squeezed = (bytes: Uint8Array): Uint8Array => deflateSync(bytes, { level: 9 })

/** Input is taken in pieces of this many bytes: one piece comes to a thousand times as much at most. */
const PIECE = 512

/**
 * @param most bytes that may come out
 * @throws ProfileError for what is damaged, or comes to more
 */
export function unsqueezed(bytes: Uint8Array, most: number): Uint8Array {
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
    for (let at = 0; at < bytes.length && length <= most && !ended; at += PIECE)
      inflate.push(bytes.subarray(at, at + PIECE), at + PIECE >= bytes.length)
  } catch {
    throw new ProfileError(['it is damaged: what is packed in it cannot be unpacked'])
  }
  if (length > most) throw new ProfileError([`it unpacks to more than ${most} bytes, which no profile has`])
  // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- a callback sets it
  if (!ended) throw new ProfileError(['it is damaged: its end is missing'])
  const whole = new Uint8Array(length)
  let at = 0
  for (const piece of pieces) {
    whole.set(piece, at)
    at += piece.length
  }
  return whole
}
