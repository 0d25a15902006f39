import { FIRST_FIRMWARE } from '../base/versions'
import { defineAction } from './action'

/** Activates another slot of the device. */
export const slot = defineAction({
  code: 6,
  since: FIRST_FIRMWARE,
  parameters: { to: { kind: 'target', of: 'slots' } },
  inDocuments: 'alike',
  start: ({ to }, reach) => reach.goToSlot(to),
})
