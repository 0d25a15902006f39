import type { DeviceModel } from '../model'
import { dunlin84 } from './dunlin-84'
import { godwit19 } from './godwit-19'
import { knot5 } from './knot-5'
import { tern7 } from './tern-7'

/** All included device models, in the order they are shown. */
export const DEVICE_MODELS: readonly DeviceModel[] = [tern7, godwit19, knot5, dunlin84]

/** The model with an id from a profile, or undefined. */
export const modelById = (id: string): DeviceModel | undefined =>
  DEVICE_MODELS.find((model) => model.id === id)

/** The model with a number from an image or the link, or undefined. */
export const modelByNumber = (number: number): DeviceModel | undefined =>
  DEVICE_MODELS.find((model) => model.number === number)
