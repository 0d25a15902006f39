import { FIRST_FIRMWARE } from '../base/versions'
import { colourOf } from '../base/parameters'
import { brightness, effect, lightOf, noLag, period, phase, putByTurn } from './effect'
import { levelOf, ONE, raisedCosine } from './fixed'

/** One colour, swelling and fading: its level is the raised cosine of the turn, squared. */
export const breathing = effect({
  code: 2,
  since: FIRST_FIRMWARE,
  parameters: { colour: colourOf(255, 255, 255), periodMs: period(4000), brightness, ...phase },
  timing: ({ periodMs }) => ({ moves: 'always', periodMs }),
  covers: true,
  idle: noLag,
  paint(values, scene, paint) {
    const most = levelOf(values.brightness)
    putByTurn(scene, paint, values, (turn) => {
      const swell = raisedCosine(turn)
      return lightOf(values.colour, Math.floor((Math.floor((swell * swell) / ONE) * most) / ONE))
    })
  },
})
