import { colourOf } from '../base/parameters'
import { brightness, effect, lightOf, putAll } from './effect'
import { levelOf } from './fixed'

/** One colour, steady. */
export const solid = effect({
  code: 1,
  parameters: { colour: colourOf(255, 255, 255), brightness },
  paint: (values, scene, paint) => putAll(paint, scene, lightOf(values.colour, levelOf(values.brightness))),
})
