import { FIRST_FIRMWARE } from '../base/versions'
import { action } from './action'

/** The lights count down so long, in a colour. */
export const countdown = action({
  code: 12,
  since: FIRST_FIRMWARE,
  parameters: {
    colour: { kind: 'colour' },
    seconds: { kind: 'number', least: 1, most: 24 * 3600, unit: 's' },
  },
  inDocuments: 'alike',
  start: ({ seconds, colour }, reach) => reach.countDown(seconds, colour),
})
