import { FIRST_FIRMWARE } from '../base/versions'
import { action } from './action'

/**
 * One action when the input is let go before the threshold, another when it is not; `press`: another input pressed before
 * makes it a hold as well. Which it is, the device's bindings decide.
 */
export const tapHold = action({
  code: 9,
  since: FIRST_FIRMWARE,
  parameters: {
    thresholdMs: { kind: 'number', as: 'byte', least: 80, most: 1500, grid: 10, unit: 'ms' },
    decide: { kind: 'choice', of: ['time', 'press'] },
    tap: { kind: 'action' },
    hold: { kind: 'action' },
  },
  inDocuments: 'of two',
})
