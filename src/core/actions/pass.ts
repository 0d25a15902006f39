import { FIRST_FIRMWARE } from '../base/versions'
import { action } from './action'

/** Leaves the input to the layer below, where the factory's layer would not. */
export const pass = action({
  code: 14,
  since: FIRST_FIRMWARE,
  parameters: {},
  inDocuments: 'never',
})
