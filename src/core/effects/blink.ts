import { FIRST_FIRMWARE } from '../base/versions'
import { colourParameter, percent } from '../base/parameters'
import {
  NO_LIGHT,
  brightness,
  defineEffect,
  lightOf,
  hasNoLag,
  period,
  phase,
  setLightsByTurn,
} from './effect'
import { levelOf } from './fixed'

/** One colour for a part of the period, and off for the rest. */
export const blink = defineEffect({
  code: 5,
  since: FIRST_FIRMWARE,
  parameters: {
    colour: colourParameter(255, 255, 255),
    periodMs: period(1000),
    brightness,
    litPart: percent(50, 1),
    ...phase,
  },
  timing: ({ periodMs }) => ({ moves: 'always', periodMs }),
  covers: true,
  idle: hasNoLag,
  paint(values, scene, paint) {
    const light = lightOf(values.colour, levelOf(values.brightness))
    const until = levelOf(values.litPart)
    setLightsByTurn(scene, paint, values, (turn) => (turn < until ? light : NO_LIGHT))
  },
})
