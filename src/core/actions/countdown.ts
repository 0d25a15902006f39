import { FIRST_FIRMWARE } from '../base/versions'
import { defineAction } from './action'

/** A countdown shown by the lights, with its duration and colour. */
export const countdown = defineAction({
  code: 12,
  since: FIRST_FIRMWARE,
  parameters: {
    colour: { kind: 'colour' },
    seconds: { kind: 'number', min: 1, max: 24 * 3600, unit: 's' },
  },
  inDocuments: 'alike',
  start: ({ seconds, colour }, reach) => reach.countDown(seconds, colour),
})
