import type { DeviceModel } from '../device/model'
import type { LightState } from '../effects/effect'
import { ONE } from '../effects/fixed'
import { effectDurationMs, isAnimated } from './animation'
import type { LightEntry } from '../onboard/light-stack'
import { composeLight, driveLights, prepareLight } from './compose'

/** Current of the lights over some time, from their actual LED levels, in mA. */
export interface LightFigures {
  meanMa: number
  peakMa: number
  /** Whether any frame was dimmed to stay below the limit. */
  limited: boolean
}

const SAMPLES = 240
const MIN_WINDOW_MS = 4000

/**
 * Figures of a stack over the longest period of its effects, at least four seconds, in a constant state.
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
  const moves = stack.some(isAnimated)
  const windowMs = Math.max(MIN_WINDOW_MS, ...stack.map(({ effect }) => effectDurationMs(effect)))
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
