import { brightness, effect, lightOf, putAll } from './effect'
import { levelOf } from './fixed'

/** The colour of the step in force. */
export const step = effect({
  code: 4,
  parameters: { brightness },
  paint: ({ brightness: percent }, scene, paint) =>
    putAll(paint, scene, lightOf(scene.state.step, levelOf(percent))),
})
