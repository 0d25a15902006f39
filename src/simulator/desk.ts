import type { DeviceModel } from '../core/device/model'
import { DEVICE_MODELS } from '../core/device/models'
import { includedDeviceId } from './api'

/** A device on the desk, with its initial state. */
export interface DeskPlace {
  id: string
  modelId: string
  serial: number
  /** Its initial charge, from 0 to 1. */
  charge: number
  /** Whether it is paired to the desk's receiver. */
  paired: boolean
}

/** The included devices, one of each model. */
export const includedDevices = (): DeskPlace[] =>
  DEVICE_MODELS.map(({ id, standIn: { serial, charge, over } }) => ({
    id: includedDeviceId(id),
    modelId: id,
    serial,
    charge,
    paired: over === 'receiver',
  }))

/** A new device of a model: connected by cable, without pairings. */
export function newPlace({ id: modelId, standIn }: DeviceModel, desk: readonly DeskPlace[]): DeskPlace {
  const same = desk.filter((place) => place.modelId === modelId)
  let count = 1
  while (same.some(({ id }) => id === `${modelId} #${count}`)) count++
  const serial = Math.max(standIn.serial - 1, ...same.map((place) => place.serial)) + 1
  return { id: `${modelId} #${count}`, modelId, serial, charge: standIn.charge, paired: false }
}
