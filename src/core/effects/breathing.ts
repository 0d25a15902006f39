import { colourOf } from '../base/parameters'
import { brightness, effect, lightOf, noLag, period, phase, put, turnsOf } from './effect'
import { levelOf, ONE, raisedCosine } from './fixed'

/** One colour, swelling and fading: its level is the raised cosine of the turn, squared. */
export const breathing = effect({
  code: 2,
  parameters: { colour: colourOf(255, 255, 255), periodMs: period(4000), brightness, ...phase },
  idle: noLag,
  paint(values, scene, paint) {
    const turn = turnsOf(scene, values)
    const most = levelOf(values.brightness)
    for (let index = 0; index < scene.chosen.length; index++) {
      const swell = raisedCosine(turn(index))
      const level = Math.floor((Math.floor((swell * swell) / ONE) * most) / ONE)
      put(paint, index, lightOf(values.colour, level))
    }
  },
})
