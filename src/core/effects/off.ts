import { NONE, effect, putAll } from './effect'

/** Dark, whatever is below. */
export const off = effect({
  code: 0,
  parameters: {},
  paint: (_, scene, paint) => putAll(paint, scene, NONE),
})
