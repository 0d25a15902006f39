import { FIRST_FIRMWARE } from '../base/versions'
import { defineAction, lasting } from './action'

/** A media or system control, by its usage on the consumer page. */
export const consumer = defineAction({
  code: 4,
  since: FIRST_FIRMWARE,
  parameters: { usage: { kind: 'number', as: 'short', min: 1, max: 0x3ff } },
  inDocuments: 'otherwise',
  lasts: lasting,
  start: ({ usage }, reach) => reach.pressControl(usage),
  end: ({ usage }, reach) => reach.releaseControl(usage),
})
