import { FIRST_FIRMWARE } from '../base/versions'
import { defineAction } from './action'

/** Keys typed one after the other. `purpose` is for readers; the device types them in any case. */
export const strokes = defineAction({
  code: 11,
  since: FIRST_FIRMWARE,
  parameters: {
    purpose: { kind: 'choice', of: ['text', 'program', 'file', 'folder', 'address'] },
    strokes: { kind: 'strokes' },
  },
  inDocuments: 'otherwise',
  start: ({ strokes }, reach) => reach.type(strokes),
})
