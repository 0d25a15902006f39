import MemoryMap from 'nrf-intel-hex'
import { ImageError } from '../base/bytes'
import { message } from '../message/message'

/** An image as Intel HEX text, from address 0, with 16 bytes per record. */
export const toIntelHex = (bytes: Uint8Array): string => `${new MemoryMap([[0, bytes]]).asHexString(16)}\n`

/**
 * The bytes of Intel HEX text, from its lowest to its highest address; gaps are read as erased flash (FF).
 *
 * @throws ImageError with the problem: an incomplete record, a wrong checksum, no data
 */
export function fromIntelHex(text: string): Uint8Array {
  const map = parse(text)
  const starts = [...map.keys()]
  if (starts.length === 0) throw new ImageError(message('images.hexEmpty'))
  const from = Math.min(...starts)
  const to = Math.max(...[...map].map(([address, block]) => address + block.length))
  if (to - from > MAX_BYTES) throw new ImageError(message('images.hexTooLarge'))
  return map.slicePad(from, to - from, 0xff)
}

const MAX_BYTES = 1 << 20

function parse(text: string): MemoryMap {
  try {
    return MemoryMap.fromHex(text)
  } catch (error) {
    if (!(error instanceof Error)) throw error
    const record = /record (\d+)/.exec(error.message)?.[1]
    throw new ImageError(record ? message('images.hexRecord', { record }) : message('images.notHex'))
  }
}
