import type { Connection, DeviceInput, DeviceModel, MemoryGeometry } from './model'

/** Bytes at the start of a sector, and of a record in it, that are not an image's (docs/onboard-format.md). */
export const SECTOR_HEADER_BYTES = 16
export const RECORD_HEADER_BYTES = 16

/** Bytes one slot's image may have: a record lies in one block, whole. */
export const slotCapacity = (memory: MemoryGeometry): number =>
  memory.sectorBytes * memory.blockSectors - SECTOR_HEADER_BYTES - RECORD_HEADER_BYTES

/** The input with an id, or undefined. */
export const inputById = (model: DeviceModel, id: string): DeviceInput | undefined =>
  model.inputs.find((input) => input.id === id)

/** The connection with an id, or undefined. */
export const connectionById = (model: DeviceModel, id: string): Connection | undefined =>
  model.connections.find((connection) => connection.id === id)
