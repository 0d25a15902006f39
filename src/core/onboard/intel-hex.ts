import MemoryMap from 'nrf-intel-hex'
import { ImageError } from '../base/bytes'

/** An image as Intel HEX text, from address 0, 16 bytes a record. */
export const toIntelHex = (bytes: Uint8Array): string => `${new MemoryMap([[0, bytes]]).asHexString(16)}\n`

/**
 * The bytes of Intel HEX text, from its lowest address to its highest; gaps read as erased flash (FF).
 *
 * @throws ImageError naming what is wrong: a record that is cut short, a checksum, no data
 */
export function fromIntelHex(text: string): Uint8Array {
  const map = parse(text)
  const starts = [...map.keys()]
  if (starts.length === 0) throw new ImageError('the Intel HEX file holds no data')
  const from = Math.min(...starts)
  const to = Math.max(...[...map].map(([address, block]) => address + block.length))
  if (to - from > MOST_BYTES) throw new ImageError('the Intel HEX file spans more than any device holds')
  return map.slicePad(from, to - from, 0xff)
}

const MOST_BYTES = 1 << 20

function parse(text: string): MemoryMap {
  try {
    return MemoryMap.fromHex(text)
  } catch (error) {
    if (!(error instanceof Error)) throw error
    const line = /record (\d+)/.exec(error.message)?.[1]
    throw new ImageError(`this is no Intel HEX${line ? `: record ${line} is cut short or damaged` : ''}`)
  }
}
