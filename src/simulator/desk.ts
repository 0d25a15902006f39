import type { DeviceModel } from '../core/device/model'
import { DEVICE_MODELS } from '../core/device/models'
import { standInId } from './face'

/** A device on the desk: which one it is, and how it came. */
export interface Place {
  id: string
  modelId: string
  serial: number
  /** Share of its charge when it was first put there. */
  charge: number
  /** Whether it is paired to the desk's receiver. */
  paired: boolean
}

/** The devices that ship with Unisera, one of each model. */
export const standIns = (): Place[] =>
  DEVICE_MODELS.map(({ id, standIn: { serial, charge, over } }) => ({
    id: standInId(id),
    modelId: id,
    serial,
    charge,
    paired: over === 'receiver',
  }))

/** Another one of a model, just out of its box: by cable, and paired to nothing. */
export function newPlace({ id: modelId, standIn }: DeviceModel, desk: readonly Place[]): Place {
  const same = desk.filter((place) => place.modelId === modelId)
  let count = 1
  while (same.some(({ id }) => id === `${modelId} #${count}`)) count++
  const serial = Math.max(standIn.serial - 1, ...same.map((place) => place.serial)) + 1
  return { id: `${modelId} #${count}`, modelId, serial, charge: standIn.charge, paired: false }
}
