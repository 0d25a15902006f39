import { FIRST_FIRMWARE } from '../base/versions'
import { choiceParameter, coloursParameter, millimetres, percent } from '../base/parameters'
import { lightsOf, setFromRing } from './colours'
import { brightness, defineEffect, period } from './effect'
import { distanceAlong, axisOf, lengthOf, levelOf, ONE, turnOf } from './fixed'
import { direction } from './gradient'

/** Colours that move across the device: in a direction, out from a point, or in towards it. */
export const wave = defineEffect({
  code: 7,
  since: FIRST_FIRMWARE,
  parameters: {
    colours: coloursParameter({ red: 0, green: 80, blue: 255 }, { red: 0, green: 230, blue: 160 }),
    periodMs: period(4000),
    /** From one colour to its next occurrence. */
    spreadMm: millimetres(5, 1000, 80),
    moves: choiceParameter('straight', 'out', 'in'),
    direction: direction(90),
    brightness,
    shift: percent(0),
    /** The point, relative to the bounding box of all lights. */
    pointX: percent(50),
    pointY: percent(50),
  },
  timing: ({ periodMs }) => ({ moves: 'always', periodMs }),
  covers: true,
  idle: ({ moves }) => (moves === 'straight' ? ['pointX', 'pointY'] : ['direction']),
  paint(values, { plan, chosen, ms }, paint) {
    const lights = lightsOf(values.colours, values.brightness)
    const turn = turnOf(ms, values.periodMs) + levelOf(values.shift)
    const { left, top, width, height } = plan.box
    const x0 = left + Math.floor((width * values.pointX) / 100)
    const y0 = top + Math.floor((height * values.pointY) / 100)
    const axis = axisOf(values.direction)
    const straight = values.moves === 'straight'
    const inwards = values.moves === 'in'
    const spread = values.spreadMm * 10
    for (let index = 0; index < chosen.length; index++) {
      const light = chosen[index] ?? 0
      const place = straight
        ? distanceAlong((plan.x[light] ?? 0) - left, (plan.y[light] ?? 0) - top, axis)
        : lengthOf((plan.x[light] ?? 0) - x0, (plan.y[light] ?? 0) - y0)
      const way = Math.floor((place * ONE) / spread)
      // 65,536 is a power of two: the low bits are the remainder, even of negative numbers.
      setFromRing(paint, index, lights, (inwards ? turn + way : turn - way) & 0xffff)
    }
  },
})
