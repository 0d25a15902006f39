import { FIRST_FIRMWARE } from '../base/versions'
import { action } from './action'

/** A button of the mouse; two clicks are pressed, let go and pressed, and come up with the input. */
export const button = action({
  code: 2,
  since: FIRST_FIRMWARE,
  parameters: {
    button: { kind: 'number', as: 'byte', least: 1, most: 8 },
    clicks: { kind: 'number', as: 'byte', least: 1, most: 2, otherwise: 1 },
  },
  inDocuments: 'alike',
  // Two clicks have their own times.
  lasts: ({ clicks }) => clicks < 2,
  start: ({ button, clicks }, reach) => (clicks < 2 ? reach.pressButton(button) : reach.clickTwice(button)),
  end: ({ button, clicks }, reach) =>
    clicks < 2 ? reach.releaseButton(button) : reach.releaseSecondClick(button),
})
