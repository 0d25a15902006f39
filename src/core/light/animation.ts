import { CONDITIONS } from '../effects/conditions'
import type { LightState } from '../effects/effect'
import { timingOf, type LightEffect } from '../effects/registry'
import type { LightEntry } from '../onboard/light-stack'

/** Timing of effects, from their definitions. */

/** Duration of all that an effect does: its period, or the time it changes after its trigger. 0 for a still one. */
export function effectDurationMs(effect: LightEffect): number {
  const timing = timingOf(effect)
  if (timing.moves === 'always') return timing.periodMs
  return timing.moves === 'after' ? (timing.lastsMs ?? 0) : 0
}

/** Whether an entry of a stack changes while nothing happens to the device. */
export const isAnimated = ({ effect, when }: LightEntry): boolean =>
  timingOf(effect).moves === 'always' || (when.kind !== 'always' && CONDITIONS[when.kind].byItself)

/** Whether an effect shows nothing in a state because its trigger is missing. */
export function isWaiting(effect: LightEffect, { presses, layers, countdown }: LightState): boolean {
  const timing = timingOf(effect)
  if (timing.moves !== 'after') return false
  switch (timing.what) {
    case 'press':
      return presses.length === 0
    case 'layer':
      return layers.length === 0
    case 'countdown':
      return countdown === undefined
  }
}
