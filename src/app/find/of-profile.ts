import type { DeviceModel } from '../../core/device/model'
import { actionText } from '../../core/profile/action-text'
import { effectText } from '../../core/profile/pending'
import { actionOf } from '../../core/profile/profile'
import type { Profile } from '../../core/profile/schema'
import type { Findable } from './rank'

/** A thing in a profile, and the view it is found in: its name, and what the address says of it. */
export interface PlacedFindable extends Findable {
  view: string
}

/** Every input of a profile by what it does, every setting by what it is. */
export const findablesOf = (profile: Profile, model: DeviceModel): PlacedFindable[] => [
  ...inputsOf(profile, model),
  ...stepsOf(profile),
  ...ratesOf(profile, model),
  ...zonesOf(profile, model),
]

const inputsOf = (profile: Profile, model: DeviceModel): PlacedFindable[] =>
  model.inputs.map((input) => ({
    kind: 'input',
    text: input.name,
    detail: actionText(actionOf(profile.layers[0], input)),
    words: `${input.number} button key ${profile.name}`,
    view: `buttons?input=${input.id}`,
  }))

const stepsOf = ({ steps }: Profile): PlacedFindable[] =>
  steps.map(({ dpi }, index) => ({
    kind: 'setting',
    text: `Step ${index + 1}`,
    detail: `${dpi} DPI`,
    words: 'sensitivity motion',
    view: 'motion',
  }))

const ratesOf = ({ polling }: Profile, { connections }: DeviceModel): PlacedFindable[] =>
  connections
    .filter(({ configurable }) => configurable)
    .map(({ id, name }) => ({
      kind: 'setting',
      text: `Polling rate, ${name}`,
      detail: `${polling[id]} Hz`,
      words: 'motion',
      view: 'motion',
    }))

const zonesOf = ({ light }: Profile, { zones }: DeviceModel): PlacedFindable[] =>
  zones.flatMap(({ id, name }) => {
    const effect = light[id]
    const detail = effect ? effectText(effect) : ''
    return [{ kind: 'setting', text: `Light, ${name}`, detail, words: 'zone effect colour', view: 'light' }]
  })
