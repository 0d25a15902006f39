import type { DeviceModel } from '../device/model'
import type { LightState } from '../effects/effect'
import { ONE } from '../effects/fixed'
import { lengthMs, movesByItself } from './motion'
import type { LightEntry } from '../onboard/light-stack'
import { composeLight, driveLights, prepareLight } from './compose'

/** What lights draw over a while, from the drives they are really sent, in mA. */
export interface LightFigures {
  meanMa: number
  peakMa: number
  /** Whether any frame was scaled to stay under the limit. */
  limited: boolean
}

const SAMPLES = 240
const LEAST_WINDOW_MS = 4000

/**
 * Figures of a stack over the longest time that one of its effects takes, at least four seconds, in a state that stays
 * as it is.
 *
 * @param level brightness of all, 0 to 65,536
 */
export function lightFigures(
  stack: readonly LightEntry[],
  model: DeviceModel,
  state: LightState,
  level = ONE,
): LightFigures {
  const prepared = prepareLight(stack, model)
  const moves = stack.some(movesByItself)
  const windowMs = Math.max(LEAST_WINDOW_MS, ...stack.map(({ effect }) => lengthMs(effect)))
  const samples = moves ? SAMPLES : 1
  const figures: LightFigures = { meanMa: 0, peakMa: 0, limited: false }
  for (let sample = 0; sample < samples; sample++) {
    const nowMs = Math.floor((sample * windowMs) / samples)
    const { ma, limited } = driveLights(composeLight(prepared, state, nowMs), level, model.electrical)
    figures.meanMa += ma / samples
    figures.peakMa = Math.max(figures.peakMa, ma)
    figures.limited ||= limited
  }
  return figures
}
