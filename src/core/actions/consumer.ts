import { action, lasting } from './action'

/** A control of media or the system, by its usage on the consumer page. */
export const consumer = action({
  code: 4,
  parameters: { usage: { kind: 'short', least: 1, most: 0x3ff } },
  lasts: lasting,
  start: ({ usage }, reach) => reach.pressControl(usage),
  end: ({ usage }, reach) => reach.releaseControl(usage),
})
