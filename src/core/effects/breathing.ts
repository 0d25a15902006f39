import { FIRST_FIRMWARE } from '../base/versions'
import { colourParameter } from '../base/parameters'
import { brightness, defineEffect, lightOf, hasNoLag, period, phase, setLightsByTurn } from './effect'
import { levelOf, ONE, raisedCosine } from './fixed'

/** One colour that brightens and fades: its level is the squared raised cosine of the turn. */
export const breathing = defineEffect({
  code: 2,
  since: FIRST_FIRMWARE,
  parameters: { colour: colourParameter(255, 255, 255), periodMs: period(4000), brightness, ...phase },
  timing: ({ periodMs }) => ({ moves: 'always', periodMs }),
  covers: true,
  idle: hasNoLag,
  paint(values, scene, paint) {
    const max = levelOf(values.brightness)
    setLightsByTurn(scene, paint, values, (turn) => {
      const swell = raisedCosine(turn)
      return lightOf(values.colour, Math.floor((Math.floor((swell * swell) / ONE) * max) / ONE))
    })
  },
})
