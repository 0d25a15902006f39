import { message, type Message } from '../message/message'
import type { Connection, DeviceInput, DeviceModel, MemoryGeometry } from './model'

/** Bytes at the start of a sector, and of a record in it, that do not belong to an image (docs/onboard-format.md). */
export const SECTOR_HEADER_BYTES = 16
export const RECORD_HEADER_BYTES = 16

/** Maximum size of the image of a slot: a record must fit into one block. */
export const slotCapacity = (memory: MemoryGeometry): number =>
  memory.sectorBytes * memory.blockSectors - SECTOR_HEADER_BYTES - RECORD_HEADER_BYTES

/** The input with an id, or undefined. */
export const inputById = (model: DeviceModel, id: string): DeviceInput | undefined =>
  model.inputs.find((input) => input.id === id)

/** The connection with an id, or undefined. */
export const connectionById = (model: DeviceModel, id: string): Connection | undefined =>
  model.connections.find((connection) => connection.id === id)

/** An input by its number and name: `4 Side, rear`. */
export const numberedInput = ({ number, name }: Pick<DeviceInput, 'number' | 'name'>): Message =>
  message('models.numbered', { number, input: name })
