import { FIRST_FIRMWARE } from '../base/versions'
import { brightness, defineEffect, lightOf, setAllLights, notMoving } from './effect'
import { levelOf } from './fixed'

/** The colour of the active DPI step. */
export const step = defineEffect({
  code: 4,
  since: FIRST_FIRMWARE,
  parameters: { brightness },
  timing: notMoving,
  covers: true,
  needs: 'sensor',
  paint: ({ brightness: percent }, scene, paint) =>
    setAllLights(paint, scene, lightOf(scene.state.step, levelOf(percent))),
})
