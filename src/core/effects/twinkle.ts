import { itemAt } from '../base/items'
import { FIRST_FIRMWARE } from '../base/versions'
import { percent } from '../base/parameters'
import { lightsOf } from './colours'
import { brightness, effect, period, put, seed } from './effect'
import { chance, levelOf, ONE, raisedCosine, turnOf } from './fixed'

/** Lights that swell and fade each by itself, by chance; between two of them what is below shows. */
export const twinkle = effect({
  code: 9,
  since: FIRST_FIRMWARE,
  parameters: {
    colours: {
      kind: 'colours',
      least: 1,
      most: 8,
      otherwise: [{ red: 255, green: 240, blue: 210 }],
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
      const own = ms + (chance(values.seed, light, 0) % values.periodMs)
      const drawn = chance(values.seed, light, 1 + Math.floor(own / values.periodMs))
      const shows = drawn % ONE < rare
      const colour = itemAt(lights, Math.floor(drawn / ONE) % lights.length)
      put(paint, index, colour, shows ? raisedCosine(turnOf(own, values.periodMs)) : 0)
    })
  },
})
