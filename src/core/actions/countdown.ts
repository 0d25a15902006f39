import { action } from './action'

/** The lights count down so long, in a colour. */
export const countdown = action({
  code: 12,
  parameters: {
    colour: { kind: 'colour' },
    seconds: { kind: 'whole', least: 1, most: 24 * 3600, unit: 's' },
  },
  start: ({ seconds, colour }, reach) => reach.countDown(seconds, colour),
})
