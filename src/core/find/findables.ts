import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import type { MacroShelf } from '../document/macro'
import { phrasesOf } from '../text/grammar/grammars'
import { actionText } from '../text/action-text'
import { contextOf } from '../text/context'
import { SETTINGS, type SettingPlace } from '../document/device-settings'
import { effectText, itemName } from '../text/light-words'
import { placedBindings } from '../terms/profile'
import type { Profile } from '../document/schema'
import type { SettingKey } from '../onboard/settings'
import { rankFindables, type Findable } from './rank'

/** A thing in a profile, and the view it is found in: its name, and what the address says of it. */
export interface PlacedFindable extends Findable {
  view: string
}

/** Every input of a profile by what it does, every setting by what it is. */
export const findablesOf = (profile: Profile, model: DeviceModel, macros: MacroShelf): PlacedFindable[] => [
  ...inputsOf(profile, model, macros),
  ...layersOf(profile),
  ...stepsOf(profile),
  ...ratesOf(profile, model),
  ...finerOf(profile, model),
  ...lightOf(profile),
]

/** Every action with a wording of its own; the text is that of a cell. */
export const actionsOf = (profile: Profile, model: DeviceModel, macros: MacroShelf): Findable[] => [
  ...phrasesOf(contextOf(profile, model, macros)).map(({ text, note, words }): Findable => ({
    kind: 'action',
    text,
    detail: note,
    words: words.join(' '),
  })),
  {
    kind: 'action',
    text: 'Left click 10 a second',
    detail: 'repeats while it is held',
    words: 'clicker autoclicker turbo rapid fire spam repeat macro',
  },
]

/** What of a profile that is not open answers a search, and in which profile it is. */
export const foundIn = (
  profile: Profile,
  model: DeviceModel,
  macros: MacroShelf,
  typed: string,
): PlacedFindable[] => rankFindables(typed, placedIn(profile, model, macros), MOST_IN_PROFILE)

const MOST_IN_PROFILE = 8

/** Made once for each state of a profile and of the macros: a search asks at every key. */
const placed = new WeakMap<Profile, { macros: MacroShelf; findables: PlacedFindable[] }>()

function placedIn(profile: Profile, model: DeviceModel, macros: MacroShelf): PlacedFindable[] {
  const known = placed.get(profile)
  if (known?.macros === macros) return known.findables
  const findables = findablesOf(profile, model, macros).map((each) => ({
    ...each,
    detail: `${each.detail} · in ${profile.name}`,
  }))
  placed.set(profile, { macros, findables })
  return findables
}

/** Each input by what it does on each layer that says something of it, and by its names in the game. */
const inputsOf = (profile: Profile, model: DeviceModel, macros: MacroShelf): PlacedFindable[] =>
  placedBindings(profile, model).map(({ layer, input, binding: { action, name, note } }) => ({
    kind: 'input',
    text: layer === 0 ? input.name : `${input.name}, ${itemAt(profile.layers, layer).name}`,
    detail: [actionText(action, contextOf(profile, model, macros)), ...(name ? [name] : [])].join(' · '),
    words: `${input.number} button key ${profile.name} ${note ?? ''}`,
    view: `buttons?input=${input.id}&layer=${layer}`,
  }))

const layersOf = ({ layers, name: open }: Profile): PlacedFindable[] =>
  layers.slice(1).map(({ name }, index) => ({
    kind: 'layer',
    text: name,
    detail: `layer ${index + 1} of ${open}`,
    words: 'layer',
    view: `buttons?layer=${index + 1}`,
  }))

const stepsOf = ({ steps }: Profile): PlacedFindable[] =>
  steps.map(({ dpi, name }, index) => ({
    kind: 'setting',
    text: `Step ${index + 1}`,
    detail: `${name ? `${name}, ` : ''}${dpi} DPI`,
    words: 'sensitivity motion',
    view: 'motion?part=steps',
  }))

const ratesOf = ({ polling }: Profile, { connections }: DeviceModel): PlacedFindable[] =>
  connections
    .filter(({ configurable }) => configurable)
    .map(({ id, name }) => ({
      kind: 'setting',
      text: `Polling rate, ${name}`,
      detail: `${polling[id]} Hz`,
      words: 'motion',
      view: 'motion?part=power',
    }))

/** What people call a setting as well. */
const OTHER_WORDS: Partial<Record<SettingKey, string>> = {
  sleepMinutes: 'sleep power saving idle battery',
  noticePercent: 'battery low warning',
  debounceMs: 'double click chatter click response',
  angleSnapping: 'straight line prediction assist',
  liftOffMm: 'lod lift height',
  pressMs: 'tap length hold key press duration',
}

/** Where each is set. */
const SET_IN: Record<SettingPlace, { view: string; words: string }> = {
  sensor: { view: 'motion?part=sensor', words: 'motion' },
  power: { view: 'motion?part=power', words: 'motion' },
  light: { view: 'light', words: 'light' },
  'slot keys': { view: 'buttons', words: 'buttons' },
}

/** Finer settings of the device, where it has them. */
const finerOf = ({ settings }: Profile, model: DeviceModel): PlacedFindable[] =>
  SETTINGS.flatMap(({ key, name, setIn, factory, text }) => {
    const value = settings[key] ?? factory(model)
    if (value === undefined) return []
    return [
      {
        kind: 'setting',
        text: name,
        detail: text(value),
        words: `${SET_IN[setIn].words} ${OTHER_WORDS[key] ?? ''}`,
        view: SET_IN[setIn].view,
      },
    ]
  })

const lightOf = ({ light }: Profile): PlacedFindable[] =>
  light.map((item) => ({
    kind: 'setting',
    text: `Light, ${itemName(item)}`,
    detail: item.kind === 'effect' ? effectText(item.effect) : '',
    words: 'zone effect colour stack',
    view: 'light',
  }))
