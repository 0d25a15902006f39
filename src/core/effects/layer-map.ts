import { itemAt } from '../base/items'
import { FIRST_FIRMWARE } from '../base/versions'
import { percent } from '../base/parameters'
import { NONE, brightness, effect, lightOf, put, putAll } from './effect'
import { levelOf, ONE } from './fixed'

/**
 * While layers are on: the light of each input that one of them binds has the colour of the uppermost that does, and
 * the rest is dimmed. With the base layer alone what is below shows.
 */
export const layers = effect({
  code: 12,
  since: FIRST_FIRMWARE,
  parameters: {
    brightness,
    /** What is left of the others. */
    rest: percent(10),
  },
  timing: () => ({ moves: 'after', what: 'layer' }),
  covers: false,
  showsLayers: true,
  paint(values, scene, paint) {
    const { plan, chosen, state } = scene
    if (state.layers.length === 0) return putAll(paint, scene, NONE, 0)
    const level = levelOf(values.brightness)
    const dimmed = ONE - levelOf(values.rest)
    const lights = state.layers.map(({ colour }) => lightOf(colour, level))
    for (let index = 0; index < chosen.length; index++) {
      const input = plan.input[chosen[index] ?? 0] ?? 0
      const on = input > 0 ? state.layers.findIndex(({ inputs }) => inputs.has(input)) : -1
      if (on >= 0) put(paint, index, itemAt(lights, on))
      else put(paint, index, NONE, dimmed)
    }
  },
})
