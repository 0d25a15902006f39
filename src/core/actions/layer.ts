import { FIRST_FIRMWARE } from '../base/versions'
import { defineAction, lasting } from './action'

/** A layer, active while the input is held or toggled by it. */
export const layer = defineAction({
  code: 7,
  since: FIRST_FIRMWARE,
  parameters: {
    layer: { kind: 'layer', min: 1, max: 7 },
    how: { kind: 'choice', of: ['hold', 'switch'], default: 'hold' },
  },
  inDocuments: 'alike',
  lasts: lasting,
  start: ({ layer, how }, reach) => (how === 'hold' ? reach.holdLayer(layer) : reach.switchLayer(layer)),
  end: (_, reach) => reach.letLayerGo(),
})
