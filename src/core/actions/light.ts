import { FIRST_FIRMWARE } from '../base/versions'
import { action } from './action'

/** The lights: another effect at the bottom, brighter, dimmer, off and on. */
export const light = action({
  code: 10,
  since: FIRST_FIRMWARE,
  parameters: { change: { kind: 'choice', of: ['next', 'brighter', 'dimmer', 'off', 'previous'] } },
  inDocuments: 'alike',
  start: ({ change }, reach) => reach.changeLight(change),
})
