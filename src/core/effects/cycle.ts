import { FIRST_FIRMWARE } from '../base/versions'
import type { Rgb } from '../base/colour'
import { brightness, defineEffect, lightOf, hasNoLag, period, phase, setLightsByTurn } from './effect'
import { levelOf, ONE } from './fixed'

/** Passes through all hues in one period. */
export const cycle = defineEffect({
  code: 3,
  since: FIRST_FIRMWARE,
  parameters: { periodMs: period(8000), brightness, ...phase },
  timing: ({ periodMs }) => ({ moves: 'always', periodMs }),
  covers: true,
  idle: hasNoLag,
  paint(values, scene, paint) {
    const level = levelOf(values.brightness)
    setLightsByTurn(scene, paint, values, (turn) => lightOf(hue(turn), level))
  },
})

/**
 * Fully saturated hue at a turn of 0 to 65,535 (Smith 1978, the hexcone model with S = V = 1), as integer LED levels.
 */
const hue = (turn: number): Rgb => ({
  red: channel(turn, 5),
  green: channel(turn, 3),
  blue: channel(turn, 1),
})

function channel(turn: number, offset: number): number {
  const place = (offset * ONE + turn * 6) % (6 * ONE)
  const fall = Math.max(0, Math.min(place, 4 * ONE - place, ONE))
  return 255 - ((255 * fall + ONE / 2) >>> 16)
}
