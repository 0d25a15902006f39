import type { Rgb } from '../base/colour'
import { brightness, effect, lightOf, noLag, period, phase, put, turnsOf } from './effect'
import { levelOf, ONE } from './fixed'

/** Once around the colour circle in a period. */
export const cycle = effect({
  code: 3,
  parameters: { periodMs: period(8000), brightness, ...phase },
  idle: noLag,
  paint(values, scene, paint) {
    const turn = turnsOf(scene, values)
    const level = levelOf(values.brightness)
    for (let index = 0; index < scene.chosen.length; index++)
      put(paint, index, lightOf(hue(turn(index)), level))
  },
})

/** Fully saturated hue at a turn of 0 to 65,535 (Smith 1978, the hexcone model with S = V = 1), in whole drives. */
function hue(turn: number): Rgb {
  const channel = (offset: number) => {
    const k = (offset * ONE + turn * 6) % (6 * ONE)
    const fall = Math.max(0, Math.min(k, 4 * ONE - k, ONE))
    return 255 - Math.floor((255 * fall + ONE / 2) / ONE)
  }
  return { red: channel(5), green: channel(3), blue: channel(1) }
}
