import { ByteReader, ByteWriter } from '../core/base/bytes'
import type { StoredPairing } from './stored-pairing'

/** Settings that a device stores besides its slots. */
export interface DeviceMemory {
  /** The active slot, counted from 0. */
  slot: number
  /** The calibrated surface quality; 0 for the factory calibration. */
  quality: number
  /** The name of the device, in UTF-8; empty by default. */
  name: Uint8Array
  /** Factory pairings if missing. */
  paired?: StoredPairing
}

const PAIRED_BYTES = 5

export const FACTORY_DEVICE_MEMORY: DeviceMemory = { slot: 0, quality: 0, name: new Uint8Array() }

/** The body of the settings record (docs/onboard-format.md, "In flash"). */
export function encodeDeviceMemory({ slot, quality, name, paired }: DeviceMemory): Uint8Array {
  const writer = new ByteWriter()
  writer.bytes([slot, quality, name.length])
  writer.bytes(name)
  if (paired) {
    writer.u32(paired.receiver)
    writer.u8(paired.bluetooth ? 1 : 0)
  }
  return writer.toBytes()
}

/** Missing parts, as in records of an earlier firmware, have factory settings. */
export function decodeDeviceMemory(body: Uint8Array | undefined): DeviceMemory {
  if (!body) return FACTORY_DEVICE_MEMORY
  const reader = new ByteReader(body)
  const [slot, quality, length] = [reader.u8Or(0), reader.u8Or(0), reader.u8Or(0)]
  const name = reader.sub(Math.min(length, reader.left)).rest().slice()
  const own = { slot, quality, name }
  return reader.left < PAIRED_BYTES
    ? own
    : { ...own, paired: { receiver: reader.u32(), bluetooth: reader.u8() === 1 } }
}
