import { FIRST_FIRMWARE } from '../base/versions'
import { colourOf } from '../base/parameters'
import { brightness, effect, lightOf, putAll, still } from './effect'
import { levelOf } from './fixed'

/** One colour, steady. */
export const solid = effect({
  code: 1,
  since: FIRST_FIRMWARE,
  parameters: { colour: colourOf(255, 255, 255), brightness },
  timing: still,
  covers: true,
  paint: (values, scene, paint) => putAll(paint, scene, lightOf(values.colour, levelOf(values.brightness))),
})
