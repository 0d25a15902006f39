import { connectionById } from '../device/lookups'
import type { DeviceModel } from '../device/model'
import { actionText } from './action-text'
import { sameValue } from './changes'
import { actionOf } from './profile'
import type { Effect, Profile } from './schema'

/** One edit as a person counts them: this input, that step, the rate of a connection. */
export interface Edit {
  view: 'buttons' | 'motion' | 'light' | 'profile'
  what: string
  from: string
  to: string
}

/**
 * The edits that lie between two profiles of one model, in the order of the views.
 *
 * @param before what the device holds, read back from its slot
 * @param after what is edited here
 */
export function editsBetween(before: Profile, after: Profile, model: DeviceModel): Edit[] {
  return [
    ...edit('profile', 'Name', before.name, after.name, (name) => name),
    ...model.inputs.flatMap((input) =>
      edit(
        'buttons',
        input.name,
        actionOf(before.layers[0], input),
        actionOf(after.layers[0], input),
        actionText,
      ),
    ),
    ...Array.from({ length: Math.max(before.steps.length, after.steps.length) }, (_, index) =>
      edit('motion', `Step ${index + 1}`, before.steps[index], after.steps[index], stepText),
    ).flat(),
    ...edit('motion', 'Default step', before.defaultStep, after.defaultStep, (index) => `step ${index + 1}`),
    ...model.connections.flatMap(({ id }) =>
      edit(
        'motion',
        `Polling, ${connectionById(model, id)?.name}`,
        before.polling[id],
        after.polling[id],
        rateText,
      ),
    ),
    ...model.zones.flatMap(({ id, name }) =>
      edit('light', name, before.light[id], after.light[id], effectText),
    ),
  ]
}

/** What an effect is, in words. */
export function effectText(effect: Effect): string {
  const colour = 'colour' in effect ? ` ${effect.colour}` : ''
  const brightness = 'brightness' in effect ? ` at ${effect.brightness} %` : ''
  const period = 'periodMs' in effect ? ` every ${effect.periodMs / 1000} s` : ''
  return `${effect.kind}${colour}${brightness}${period}`
}

const stepText = ({ dpi, colour }: { dpi: number; colour: string }): string => `${dpi} DPI ${colour}`
const rateText = (rateHz: number): string => `${rateHz} Hz`

function edit<T>(
  view: Edit['view'],
  what: string,
  from: T,
  to: T,
  text: (value: NonNullable<T>) => string,
): Edit[] {
  const words = (value: T) => (value === undefined || value === null ? 'none' : text(value))
  return sameValue(from, to) ? [] : [{ view, what, from: words(from), to: words(to) }]
}
