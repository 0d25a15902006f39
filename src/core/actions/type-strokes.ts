import { FIRST_FIRMWARE } from '../base/versions'
import { action } from './action'

/** Keys typed one after the other; `purpose` tells a reader what they are for, the device types them all the same. */
export const strokes = action({
  code: 11,
  since: FIRST_FIRMWARE,
  parameters: {
    purpose: { kind: 'choice', of: ['text', 'program', 'file', 'folder', 'address'] },
    strokes: { kind: 'strokes' },
  },
  inDocuments: 'otherwise',
  start: ({ strokes }, reach) => reach.type(strokes),
})
