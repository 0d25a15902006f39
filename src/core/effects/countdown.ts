import { FIRST_FIRMWARE } from '../base/versions'
import { bar } from './bar'
import { NO_LIGHT, brightness, defineEffect, lightOf, setAllLights } from './effect'
import { levelOf, ONE } from './fixed'

/** Shows the time left of the latest countdown in its colour; nothing without a countdown. */
export const countdown = defineEffect({
  code: 14,
  since: FIRST_FIRMWARE,
  parameters: { brightness },
  timing: () => ({ moves: 'after', what: 'countdown' }),
  covers: false,
  paint(values, scene, paint) {
    const { chosen, state, nowMs } = scene
    const running = state.countdown
    const leftMs = running ? running.atMs + running.lengthMs - nowMs : 0
    if (!running || leftMs <= 0) {
      setAllLights(paint, scene, NO_LIGHT, 0)
      return
    }
    const part = Math.min(ONE, Math.floor((leftMs * ONE) / running.lengthMs))
    bar(paint, chosen.length, lightOf(running.colour, levelOf(values.brightness)), part)
  },
})
