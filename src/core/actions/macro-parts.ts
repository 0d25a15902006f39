import { FIRST_FIRMWARE } from '../base/versions'
import { defineAction, lasting } from './action'
import { message } from '../message/message'

const PART = { kind: 'macro', zero: 'none', min: 0, max: 200 } as const
const LATER_PART = { kind: 'macro', zero: 'none', min: 0, max: 200, default: 0, always: true } as const

/** Macros for press, hold (repeated) and release; 0 for none. */
export const macroParts = defineAction({
  code: 15,
  since: FIRST_FIRMWARE,
  parameters: { press: PART, held: LATER_PART, release: LATER_PART },
  inDocuments: 'alike',
  refuses: ({ press, held, release }) => (press || held || release ? undefined : message('problems.noParts')),
  lasts: lasting,
  start: (values, reach) => reach.play({ kind: 'macro-parts', ...values }),
  end: (values, reach) => reach.letMacroGo({ kind: 'macro-parts', ...values }),
})
