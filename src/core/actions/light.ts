import { FIRST_FIRMWARE } from '../base/versions'
import { defineAction } from './action'

/** Changes the light: another base effect, brighter, dimmer, off and on. */
export const light = defineAction({
  code: 10,
  since: FIRST_FIRMWARE,
  parameters: { change: { kind: 'choice', of: ['next', 'brighter', 'dimmer', 'off', 'previous'] } },
  inDocuments: 'alike',
  start: ({ change }, reach) => reach.changeLight(change),
})
