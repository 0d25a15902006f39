import { FIRST_FIRMWARE } from '../base/versions'
import { action } from './action'

const DETENTS = { kind: 'number', as: 'signed', least: -100, most: 100 } as const

/** So many detents of the wheel, up and to the right with a plus. */
export const scroll = action({
  code: 3,
  since: FIRST_FIRMWARE,
  parameters: { wheel: DETENTS, pan: { ...DETENTS, otherwise: 0 } },
  inDocuments: 'otherwise',
  refuses: ({ wheel, pan }) => (wheel === 0 && pan === 0 ? 'a scroll of nothing' : undefined),
  start: ({ wheel, pan }, reach) => reach.scroll(wheel, pan),
})
