import { FIRST_FIRMWARE } from '../base/versions'
import { NO_LIGHT, defineEffect, setAllLights, notMoving } from './effect'

/** No light; hides the effects below. */
export const off = defineEffect({
  code: 0,
  since: FIRST_FIRMWARE,
  parameters: {},
  timing: notMoving,
  covers: true,
  paint: (_, scene, paint) => setAllLights(paint, scene, NO_LIGHT),
})
