import { FIRST_FIRMWARE } from '../base/versions'
import { defineAction } from './action'

/** Does nothing, even where a lower layer or the factory layer has an action. */
export const off = defineAction({
  code: 0,
  since: FIRST_FIRMWARE,
  parameters: {},
  inDocuments: 'alike',
})
