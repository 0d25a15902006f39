import { FIRST_FIRMWARE } from '../base/versions'
import { defineAction } from './action'

/** Inherits from the layer below, where the factory layer has an action. */
export const pass = defineAction({
  code: 14,
  since: FIRST_FIRMWARE,
  parameters: {},
  inDocuments: 'never',
})
