import { clamp } from '../base/numbers'
import { FIRST_FIRMWARE } from '../base/versions'
import { colourParameter, percent } from '../base/parameters'
import { bar } from './bar'
import { mix } from './colours'
import { brightness, defineEffect, lightOf, notMoving } from './effect'
import { levelOf, ONE } from './fixed'

/** Shows the charge of the battery: lights in proportion to the charge, from one colour to the other. */
export const battery = defineEffect({
  code: 13,
  since: FIRST_FIRMWARE,
  parameters: {
    full: colourParameter(60, 220, 120),
    low: colourParameter(255, 60, 30),
    brightness,
    /** At or below this charge, only the low colour is shown. */
    lowPercent: percent(20),
  },
  timing: notMoving,
  covers: true,
  needs: 'battery',
  tellApart: ['full', 'low'],
  paint(values, { chosen, state }, paint) {
    const level = levelOf(values.brightness)
    const charge = clamp(Math.floor(state.chargePercent), 0, 100)
    const over = charge - values.lowPercent
    const part = over <= 0 ? 0 : Math.floor((over * ONE) / (100 - values.lowPercent))
    const light = mix(lightOf(values.low, level), lightOf(values.full, level), part)
    bar(paint, chosen.length, light, Math.floor((charge * ONE) / 100))
  },
})
