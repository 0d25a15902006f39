import { FIRST_FIRMWARE } from '../base/versions'
import { colourOf, percent } from '../base/parameters'
import { NONE, brightness, effect, lightOf, noLag, period, phase, putByTurn } from './effect'
import { levelOf } from './fixed'

/** One colour for a part of the period, and dark for the rest. */
export const blink = effect({
  code: 5,
  since: FIRST_FIRMWARE,
  parameters: {
    colour: colourOf(255, 255, 255),
    periodMs: period(1000),
    brightness,
    litPart: percent(50, 1),
    ...phase,
  },
  timing: ({ periodMs }) => ({ moves: 'always', periodMs }),
  covers: true,
  idle: noLag,
  paint(values, scene, paint) {
    const light = lightOf(values.colour, levelOf(values.brightness))
    const until = levelOf(values.litPart)
    putByTurn(scene, paint, values, (turn) => (turn < until ? light : NONE))
  },
})
