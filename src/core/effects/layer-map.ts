import { percent } from '../base/parameters'
import { NONE } from './bar'
import { brightness, effect, lightOf, put } from './effect'
import { levelOf, ONE } from './fixed'

/**
 * While layers are on: the light of each input that one of them binds has the colour of the uppermost that does, and
 * the rest is dimmed. With the base layer alone what is below shows.
 */
export const layers = effect({
  code: 12,
  parameters: {
    brightness,
    /** What is left of the others. */
    rest: percent(10),
  },
  paint(values, { plan, chosen, state }, paint) {
    const level = levelOf(values.brightness)
    const dimmed = ONE - levelOf(values.rest)
    chosen.forEach((light, index) => {
      const input = plan.input[light]
      const layer = input > 0 ? state.layers.find(({ inputs }) => inputs.has(input)) : undefined
      if (layer) put(paint, index, lightOf(layer.colour, level))
      else put(paint, index, NONE, state.layers.length > 0 ? dimmed : 0)
    })
  },
})
