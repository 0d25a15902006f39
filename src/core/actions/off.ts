import { FIRST_FIRMWARE } from '../base/versions'
import { action } from './action'

/** Does nothing, where a layer below or the factory would. */
export const off = action({
  code: 0,
  since: FIRST_FIRMWARE,
  parameters: {},
  inDocuments: 'alike',
})
