import { FIRST_FIRMWARE } from '../base/versions'
import { action } from './action'

/** Another sensitivity step. */
export const step = action({
  code: 5,
  since: FIRST_FIRMWARE,
  parameters: { to: { kind: 'target', of: 'steps' } },
  inDocuments: 'alike',
  start: ({ to }, reach) => reach.goToStep(to),
})
