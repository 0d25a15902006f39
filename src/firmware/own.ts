import { ByteReader, ByteWriter } from '../core/base/bytes'
import type { Paired } from './paired'

/** What a device remembers of its own, apart from its slots. */
export interface OwnMemory {
  /** The slot that is on, counted from 0. */
  slot: number
  /** The surface quality the sensor is measured in to; 0 for the factory's. */
  quality: number
  /** What its person calls it, in UTF-8; empty from the factory. */
  name: Uint8Array
  /** As it left the factory where it is not said. */
  paired?: Paired
}

const PAIRED_BYTES = 5

export const FACTORY_OWN: OwnMemory = { slot: 0, quality: 0, name: new Uint8Array() }

/** The body of the settings record (docs/onboard-format.md, "In flash"). */
export function encodeOwn({ slot, quality, name, paired }: OwnMemory): Uint8Array {
  const writer = new ByteWriter()
  writer.bytes([slot, quality, name.length])
  writer.bytes(name)
  if (paired) {
    writer.u32(paired.receiver)
    writer.u8(paired.bluetooth ? 1 : 0)
  }
  return writer.toBytes()
}

/** What is not there, as in records of an earlier firmware, is as from the factory. */
export function decodeOwn(body: Uint8Array | undefined): OwnMemory {
  if (!body) return FACTORY_OWN
  const reader = new ByteReader(body)
  const [slot, quality, length] = [reader.u8Or(0), reader.u8Or(0), reader.u8Or(0)]
  const name = reader.sub(Math.min(length, reader.left)).rest().slice()
  const own = { slot, quality, name }
  return reader.left < PAIRED_BYTES
    ? own
    : { ...own, paired: { receiver: reader.u32(), bluetooth: reader.u8() === 1 } }
}
