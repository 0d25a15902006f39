import { FIRST_FIRMWARE } from '../base/versions'
import { colourParameter } from '../base/parameters'
import { brightness, defineEffect, lightOf, setAllLights, notMoving } from './effect'
import { levelOf } from './fixed'

/** One colour, steady. */
export const solid = defineEffect({
  code: 1,
  since: FIRST_FIRMWARE,
  parameters: { colour: colourParameter(255, 255, 255), brightness },
  timing: notMoving,
  covers: true,
  paint: (values, scene, paint) =>
    setAllLights(paint, scene, lightOf(values.colour, levelOf(values.brightness))),
})
