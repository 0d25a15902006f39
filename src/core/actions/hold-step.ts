import { FIRST_FIRMWARE } from '../base/versions'
import { ImageError } from '../base/bytes'
import { defineAction, lasting } from './action'
import { checkBounds } from '../base/parameters'
import { message } from '../message/message'

const STEP = { kind: 'number', as: 'byte', min: 1, max: 16, optional: true } as const

/** A step, counted from 1, or a DPI value, active while the input is held. */
export const holdStep = defineAction({
  code: 13,
  since: FIRST_FIRMWARE,
  parameters: { step: STEP, dpi: { kind: 'number', as: 'short', min: 1, max: 65_535, optional: true } },
  inDocuments: 'alike',
  // A DPI value follows a step of 0.
  payload: {
    write: ({ step, dpi = 0 }) => (step !== undefined ? [step] : [0, dpi & 0xff, dpi >> 8]),
    read(payload) {
      const step = payload.u8()
      if (step > 0) return { step: checkBounds(step, STEP) }
      const dpi = payload.u16()
      if (dpi === 0) throw new ImageError(message('images.zeroDpi'))
      return { dpi }
    },
  },
  refuses: ({ step, dpi }) =>
    (step === undefined) === (dpi === undefined) ? message('problems.stepOrDpi') : undefined,
  lasts: lasting,
  start: ({ step, dpi = 0 }, reach) => reach.holdStep(step !== undefined ? { step } : { dpi }),
  end: (_, reach) => reach.holdStep(undefined),
})
