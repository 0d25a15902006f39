import { FIRST_FIRMWARE } from '../base/versions'
import { defineAction } from './action'

/**
 * One action if the input is released before the threshold, another if it is not. `press`: pressing another input
 * before the threshold also starts the hold. The device's bindings decide.
 */
export const tapHold = defineAction({
  code: 9,
  since: FIRST_FIRMWARE,
  parameters: {
    thresholdMs: { kind: 'number', as: 'byte', min: 80, max: 1500, step: 10, unit: 'ms' },
    decide: { kind: 'choice', of: ['time', 'press'] },
    tap: { kind: 'action' },
    hold: { kind: 'action' },
  },
  inDocuments: 'of two',
})
