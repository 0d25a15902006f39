import { FIRST_FIRMWARE } from '../base/versions'
import { defineAction } from './action'

/** Activates another DPI step. */
export const step = defineAction({
  code: 5,
  since: FIRST_FIRMWARE,
  parameters: { to: { kind: 'target', of: 'steps' } },
  inDocuments: 'alike',
  start: ({ to }, reach) => reach.goToStep(to),
})
