import { FIRST_FIRMWARE } from '../base/versions'
import { NONE, effect, putAll, still } from './effect'

/** Dark, whatever is below. */
export const off = effect({
  code: 0,
  since: FIRST_FIRMWARE,
  parameters: {},
  timing: still,
  covers: true,
  paint: (_, scene, paint) => putAll(paint, scene, NONE),
})
