import { FIRST_FIRMWARE } from '../base/versions'
import { action, lasting } from './action'

/** A control of media or the system, by its usage on the consumer page. */
export const consumer = action({
  code: 4,
  since: FIRST_FIRMWARE,
  parameters: { usage: { kind: 'number', as: 'short', least: 1, most: 0x3ff } },
  inDocuments: 'otherwise',
  lasts: lasting,
  start: ({ usage }, reach) => reach.pressControl(usage),
  end: ({ usage }, reach) => reach.releaseControl(usage),
})
