import { FIRST_FIRMWARE } from '../base/versions'
import { bar } from './bar'
import { NONE, brightness, effect, lightOf, putAll } from './effect'
import { levelOf, ONE } from './fixed'

/** What is left of the countdown that was started last, in its colour; nothing where none runs. */
export const countdown = effect({
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
      putAll(paint, scene, NONE, 0)
      return
    }
    const part = Math.min(ONE, Math.floor((leftMs * ONE) / running.lengthMs))
    bar(paint, chosen.length, lightOf(running.colour, levelOf(values.brightness)), part)
  },
})
