import { choiceParameter, millimetres, percent } from '../base/parameters'
import { brightness, defineEffect, lightOf, period, setLight } from './effect'
import { distanceAlong, axisOf, levelOf, ONE, turnOf } from './fixed'
import { direction } from './gradient'

/** A band of light that moves across the lights, and back or again; elsewhere the effects below are visible. */
export const sweep = defineEffect({
  code: 15,
  since: { major: 1, minor: 1 },
  parameters: {
    colour: { kind: 'colour', default: { red: 255, green: 60, blue: 20 } },
    periodMs: period(2000),
    /** From the middle of the band to its faded edge. */
    widthMm: millimetres(2, 300, 20),
    ends: choiceParameter('back', 'again'),
    direction: direction(90),
    brightness,
    shift: percent(0),
  },
  timing: ({ periodMs }) => ({ moves: 'always', periodMs }),
  covers: false,
  paint(values, { plan, chosen, ms }, paint) {
    const light = lightOf(values.colour, levelOf(values.brightness))
    const axis = axisOf(values.direction)
    const width = values.widthMm * 10
    const places = chosen.map((each) => distanceAlong(plan.x[each] ?? 0, plan.y[each] ?? 0, axis))
    const first = Math.min(...places)
    const turn = (turnOf(ms, values.periodMs) + levelOf(values.shift)) % ONE
    const part = values.ends === 'again' ? turn : turn < ONE / 2 ? 2 * turn : 2 * (ONE - turn)
    const middle = first + Math.floor(((Math.max(...places) - first) * part) / ONE)
    places.forEach((place, index) => {
      const away = Math.min(width, Math.abs(place - middle))
      setLight(paint, index, light, Math.floor(((width - away) * ONE) / width))
    })
  },
})
