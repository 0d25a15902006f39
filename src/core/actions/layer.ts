import { FIRST_FIRMWARE } from '../base/versions'
import { action, lasting } from './action'

/** A layer, on while the input is held, or switched on and off by it. */
export const layer = action({
  code: 7,
  since: FIRST_FIRMWARE,
  parameters: {
    layer: { kind: 'layer', least: 1, most: 7 },
    how: { kind: 'choice', of: ['hold', 'switch'], otherwise: 'hold' },
  },
  inDocuments: 'alike',
  lasts: lasting,
  start: ({ layer, how }, reach) => (how === 'hold' ? reach.holdLayer(layer) : reach.switchLayer(layer)),
  end: (_, reach) => reach.letLayerGo(),
})
