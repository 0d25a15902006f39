import { FIRST_FIRMWARE } from '../base/versions'
import { ImageError } from '../base/bytes'
import { action, lasting } from './action'
import { within } from '../base/parameters'

const STEP = { kind: 'number', as: 'byte', least: 1, most: 16, optional: true } as const

/** A step counted from 1, or a DPI of its own, in force while the input is held. */
export const holdStep = action({
  code: 13,
  since: FIRST_FIRMWARE,
  parameters: { step: STEP, dpi: { kind: 'number', as: 'short', least: 1, most: 65_535, optional: true } },
  inDocuments: 'alike',
  // A DPI stands behind a step of 0.
  payload: {
    write: ({ step, dpi = 0 }) => (step !== undefined ? [step] : [0, dpi & 0xff, dpi >> 8]),
    read(payload) {
      const step = payload.u8()
      if (step > 0) return { step: within(step, STEP) }
      const dpi = payload.u16()
      if (dpi === 0) throw new ImageError('a step of no counts')
      return { dpi }
    },
  },
  refuses: ({ step, dpi }) =>
    (step === undefined) === (dpi === undefined) ? 'either a step or a dpi is due' : undefined,
  lasts: lasting,
  start: ({ step, dpi = 0 }, reach) => reach.holdStep(step !== undefined ? { step } : { dpi }),
  end: (_, reach) => reach.holdStep(undefined),
})
