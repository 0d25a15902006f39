import { CONDITIONS } from '../effects/conditions'
import type { LightState } from '../effects/effect'
import { timingOf, type LightEffect } from '../effects/registry'
import type { LightEntry } from '../onboard/light-stack'

/** How effects change with time, from what their definitions say. */

/** How long all that an effect does takes: its period, or as long as it moves once it is set off. 0 for a still one. */
export function lengthMs(effect: LightEffect): number {
  const timing = timingOf(effect)
  if (timing.moves === 'always') return timing.periodMs
  return timing.moves === 'after' ? (timing.lastsMs ?? 0) : 0
}

/** Whether an entry of a stack changes while nothing happens to the device. */
export const movesByItself = ({ effect, when }: LightEntry): boolean =>
  timingOf(effect).moves === 'always' || (when.kind !== 'always' && CONDITIONS[when.kind].byItself)

/** Whether an effect has nothing to show in a state, for want of what sets it off. */
export function waits(effect: LightEffect, { presses, layers, countdown }: LightState): boolean {
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
