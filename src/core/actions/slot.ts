import { FIRST_FIRMWARE } from '../base/versions'
import { action } from './action'

/** Another slot of the device. */
export const slot = action({
  code: 6,
  since: FIRST_FIRMWARE,
  parameters: { to: { kind: 'target', of: 'slots' } },
  inDocuments: 'alike',
  start: ({ to }, reach) => reach.goToSlot(to),
})
