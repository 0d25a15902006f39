import { action } from './action'

/** The lights: another effect at the bottom, brighter, dimmer, off and on. */
export const light = action({
  code: 10,
  parameters: { change: { kind: 'choice', of: ['next', 'brighter', 'dimmer', 'off', 'previous'] } },
  start: ({ change }, reach) => reach.changeLight(change),
})
