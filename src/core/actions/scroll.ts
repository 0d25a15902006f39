import { FIRST_FIRMWARE } from '../base/versions'
import { defineAction } from './action'
import { message } from '../message/message'

const DETENTS = { kind: 'number', as: 'signed', min: -100, max: 100 } as const

/** Scrolls by a number of detents; positive values mean up and right. */
export const scroll = defineAction({
  code: 3,
  since: FIRST_FIRMWARE,
  parameters: { wheel: DETENTS, pan: { ...DETENTS, default: 0 } },
  inDocuments: 'otherwise',
  refuses: ({ wheel, pan }) => (wheel === 0 && pan === 0 ? message('problems.noScroll') : undefined),
  start: ({ wheel, pan }, reach) => reach.scroll(wheel, pan),
})
