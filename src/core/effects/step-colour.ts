import { FIRST_FIRMWARE } from '../base/versions'
import { brightness, effect, lightOf, putAll, still } from './effect'
import { levelOf } from './fixed'

/** The colour of the step in force. */
export const step = effect({
  code: 4,
  since: FIRST_FIRMWARE,
  parameters: { brightness },
  timing: still,
  covers: true,
  needs: 'sensor',
  paint: ({ brightness: percent }, scene, paint) =>
    putAll(paint, scene, lightOf(scene.state.step, levelOf(percent))),
})
