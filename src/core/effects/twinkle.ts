import { itemAt } from '../base/items'
import { FIRST_FIRMWARE } from '../base/versions'
import { percent } from '../base/parameters'
import { lightsOf } from './colours'
import { brightness, defineEffect, period, setLight, seed } from './effect'
import { hash32, levelOf, ONE, raisedCosine, turnOf } from './fixed'

/** Lights that brighten and fade individually at random; elsewhere the effects below are visible. */
export const twinkle = defineEffect({
  code: 9,
  since: FIRST_FIRMWARE,
  parameters: {
    colours: {
      kind: 'colours',
      min: 1,
      max: 8,
      default: [{ red: 255, green: 240, blue: 210 }],
    },
    periodMs: period(1500),
    /** How many of the lights at a time. */
    density: percent(30, 1),
    brightness,
    seed,
  },
  timing: ({ periodMs }) => ({ moves: 'always', periodMs }),
  covers: false,
  paint(values, { chosen, ms }, paint) {
    const lights = lightsOf(values.colours, values.brightness)
    const rare = levelOf(values.density)
    chosen.forEach((light, index) => {
      const own = ms + (hash32(values.seed, light, 0) % values.periodMs)
      const drawn = hash32(values.seed, light, 1 + Math.floor(own / values.periodMs))
      const shows = drawn % ONE < rare
      const colour = itemAt(lights, Math.floor(drawn / ONE) % lights.length)
      setLight(paint, index, colour, shows ? raisedCosine(turnOf(own, values.periodMs)) : 0)
    })
  },
})
