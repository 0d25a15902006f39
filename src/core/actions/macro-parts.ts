import { FIRST_FIRMWARE } from '../base/versions'
import { action, lasting } from './action'

const PART = { kind: 'macro', zero: 'none', least: 0, most: 200 } as const
const LATER_PART = { kind: 'macro', zero: 'none', least: 0, most: 200, otherwise: 0, always: true } as const

/** Macros when the input goes down, over and over while it is, when it comes up; 0 for none. */
export const macroParts = action({
  code: 15,
  since: FIRST_FIRMWARE,
  parameters: { press: PART, held: LATER_PART, release: LATER_PART },
  inDocuments: 'alike',
  refuses: ({ press, held, release }) => (press || held || release ? undefined : 'no part at all'),
  lasts: lasting,
  start: (values, reach) => reach.play({ kind: 'macro-parts', ...values }),
  end: (values, reach) => reach.letMacroGo({ kind: 'macro-parts', ...values }),
})
