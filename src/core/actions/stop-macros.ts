import { FIRST_FIRMWARE } from '../base/versions'
import { defineAction } from './action'

/** Stops all macros, and the text being typed. */
export const stopMacros = defineAction({
  code: 16,
  since: FIRST_FIRMWARE,
  parameters: {},
  inDocuments: 'alike',
  start: (_, reach) => reach.stopAll(),
})
