import { FIRST_FIRMWARE } from '../base/versions'
import { colourOf, percent } from '../base/parameters'
import { bar } from './bar'
import { mix } from './colours'
import { brightness, effect, lightOf, still } from './effect'
import { levelOf, ONE } from './fixed'

/** How full the battery is: as many of the lights as there is charge, from one colour to the other. */
export const battery = effect({
  code: 13,
  since: FIRST_FIRMWARE,
  parameters: {
    full: colourOf(60, 220, 120),
    low: colourOf(255, 60, 30),
    brightness,
    /** At and under this charge the low colour alone. */
    lowPercent: percent(20),
  },
  timing: still,
  covers: true,
  needs: 'battery',
  tellApart: ['full', 'low'],
  paint(values, { chosen, state }, paint) {
    const level = levelOf(values.brightness)
    const charge = Math.max(0, Math.min(100, Math.floor(state.chargePercent)))
    const over = charge - values.lowPercent
    const part = over <= 0 ? 0 : Math.floor((over * ONE) / (100 - values.lowPercent))
    const light = mix(lightOf(values.low, level), lightOf(values.full, level), part)
    bar(paint, chosen.length, light, Math.floor((charge * ONE) / 100))
  },
})
