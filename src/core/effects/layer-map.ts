import { itemAt } from '../base/items'
import { FIRST_FIRMWARE } from '../base/versions'
import { percent } from '../base/parameters'
import { NO_LIGHT, brightness, defineEffect, lightOf, setLight, setAllLights } from './effect'
import { levelOf, ONE } from './fixed'

/**
 * While layers are active, the light of each input that one of them binds shows the colour of the highest such layer,
 * and the other lights are dimmed. With only the base layer, the effects below are visible.
 */
export const layers = defineEffect({
  code: 12,
  since: FIRST_FIRMWARE,
  parameters: {
    brightness,
    /** Remaining brightness of the others. */
    rest: percent(10),
  },
  timing: () => ({ moves: 'after', what: 'layer' }),
  covers: false,
  showsLayers: true,
  paint(values, scene, paint) {
    const { plan, chosen, state } = scene
    if (state.layers.length === 0) return setAllLights(paint, scene, NO_LIGHT, 0)
    const level = levelOf(values.brightness)
    const dimmed = ONE - levelOf(values.rest)
    const lights = state.layers.map(({ colour }) => lightOf(colour, level))
    for (let index = 0; index < chosen.length; index++) {
      const input = plan.input[chosen[index] ?? 0] ?? 0
      const on = input > 0 ? state.layers.findIndex(({ inputs }) => inputs.has(input)) : -1
      if (on >= 0) setLight(paint, index, itemAt(lights, on))
      else setLight(paint, index, NO_LIGHT, dimmed)
    }
  },
})
