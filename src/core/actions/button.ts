import { FIRST_FIRMWARE } from '../base/versions'
import { defineAction } from './action'

/** A mouse button. A double click is press, release, press; the second press ends with the input. */
export const button = defineAction({
  code: 2,
  since: FIRST_FIRMWARE,
  parameters: {
    button: { kind: 'number', as: 'byte', min: 1, max: 8 },
    clicks: { kind: 'number', as: 'byte', min: 1, max: 2, default: 1 },
  },
  inDocuments: 'alike',
  // Double clicks have their own timing.
  lasts: ({ clicks }) => clicks < 2,
  start: ({ button, clicks }, reach) => (clicks < 2 ? reach.pressButton(button) : reach.clickTwice(button)),
  end: ({ button, clicks }, reach) =>
    clicks < 2 ? reach.releaseButton(button) : reach.releaseSecondClick(button),
})
