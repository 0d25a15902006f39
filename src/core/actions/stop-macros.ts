import { FIRST_FIRMWARE } from '../base/versions'
import { action } from './action'

/** Ends every macro, and what is being typed. */
export const stopMacros = action({
  code: 16,
  since: FIRST_FIRMWARE,
  parameters: {},
  inDocuments: 'alike',
  start: (_, reach) => reach.stopAll(),
})
