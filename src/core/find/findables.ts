import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import type { MacroShelf } from '../document/macro'
import { shownPhrases } from '../text/shown-phrases'
import { actionMessage } from '../text/action-text'
import { contextOf } from '../text/context'
import { SETTINGS, type SettingPlace } from '../document/device-settings'
import { factList, message, type TextOf } from '../message/message'
import { effectMessage, stackItemName } from '../text/light-messages'
import { placedBindings } from '../terms/profile'
import type { Profile } from '../document/schema'
import type { SettingKey } from '../onboard/settings'
import { rankFindables, type Findable } from './rank'

/** Something in a profile, with its view: its name, and its part of the address. */
export interface PlacedFindable extends Findable {
  view: string
}

/** All inputs of a profile by their actions, and all settings by their names. */
export const findablesOf = (
  profile: Profile,
  model: DeviceModel,
  macros: MacroShelf,
  textOf: TextOf,
): PlacedFindable[] => [
  ...inputsOf(profile, model, macros, textOf),
  ...layersOf(profile, textOf),
  ...stepsOf(profile, textOf),
  ...ratesOf(profile, model, textOf),
  ...settingsOf(profile, model, textOf),
  ...lightOf(profile, textOf),
]

/** Every action with its own text; the text is that of a cell. */
export const actionsOf = (
  profile: Profile,
  model: DeviceModel,
  macros: MacroShelf,
  textOf: TextOf,
): Findable[] => [
  ...shownPhrases({ ...contextOf(profile, model, macros), textOf }).map(
    ({ text, note, words }): Findable => ({
      kind: 'action',
      text,
      detail: textOf(note),
      words: words.join(' '),
    }),
  ),
  {
    kind: 'action',
    text: textOf(message('actions.clickTenTimesASecond')),
    detail: textOf(message('actions.clickTenTimesASecondNote')),
    words: 'clicker autoclicker turbo rapid fire spam repeat macro',
  },
]

/** Parts of closed profiles that match a search, with their profiles. */
export const searchProfiles = (
  profile: Profile,
  model: DeviceModel,
  macros: MacroShelf,
  typed: string,
  textOf: TextOf,
): PlacedFindable[] => rankFindables(typed, placedIn(profile, model, macros, textOf), MAX_IN_PROFILE)

const MAX_IN_PROFILE = 8

/** Computed once for each state of a profile and the macros: a search reads it at every key. */
const placed = new WeakMap<Profile, { macros: MacroShelf; findables: PlacedFindable[] }>()

function placedIn(
  profile: Profile,
  model: DeviceModel,
  macros: MacroShelf,
  textOf: TextOf,
): PlacedFindable[] {
  const known = placed.get(profile)
  if (known?.macros === macros) return known.findables
  const findables = findablesOf(profile, model, macros, textOf).map((each) => ({
    ...each,
    detail: textOf(message('find.inProfile', { detail: each.detail, profile: profile.name })),
  }))
  placed.set(profile, { macros, findables })
  return findables
}

/** Each input by its actions on each layer, and by its in-game names. */
const inputsOf = (
  profile: Profile,
  model: DeviceModel,
  macros: MacroShelf,
  textOf: TextOf,
): PlacedFindable[] =>
  placedBindings(profile, model).map(({ layer, input, binding: { action, name, note } }) => ({
    kind: 'input',
    text: textOf(
      layer === 0 ? input.name : factList([input.name, itemAt(profile.layers, layer).name], 'comma'),
    ),
    detail: textOf(
      factList([actionMessage(action, contextOf(profile, model, macros)), ...(name ? [name] : [])], 'comma'),
    ),
    words: `${input.number} button key ${profile.name} ${note ?? ''}`,
    view: `buttons?input=${input.id}&layer=${layer}`,
  }))

const layersOf = ({ layers, name: profile }: Profile, textOf: TextOf): PlacedFindable[] =>
  layers.slice(1).map(({ name }, index) => ({
    kind: 'layer',
    text: name,
    detail: textOf(message('find.layerOf', { layer: index + 1, profile })),
    words: 'layer',
    view: `buttons?layer=${index + 1}`,
  }))

const stepsOf = ({ steps }: Profile, textOf: TextOf): PlacedFindable[] =>
  steps.map(({ dpi, name }, index) => ({
    kind: 'setting',
    text: textOf(message('differences.step', { step: index + 1 })),
    detail: textOf(factList([...(name ? [name] : []), message('differences.dpi', { dpi })], 'comma')),
    words: 'sensitivity motion',
    view: 'motion?part=steps',
  }))

const ratesOf = ({ polling }: Profile, { connections }: DeviceModel, textOf: TextOf): PlacedFindable[] =>
  connections
    .filter(({ configurable }) => configurable)
    .map(({ id, name }) => ({
      kind: 'setting',
      text: textOf(message('differences.polling', { connection: name })),
      detail: textOf(message('differences.rate', { rate: polling[id] ?? 0 })),
      words: 'motion',
      view: 'motion?part=power',
    }))

/** Other words that people use for a setting. */
const OTHER_WORDS: Partial<Record<SettingKey, string>> = {
  sleepMinutes: 'sleep power saving idle battery',
  noticePercent: 'battery low warning',
  debounceMs: 'double click chatter click response',
  angleSnapping: 'straight line prediction assist',
  liftOffMm: 'lod lift height',
  pressMs: 'tap length hold key press duration',
}

/** The view of each setting. */
const SET_IN: Record<SettingPlace, { view: string; words: string }> = {
  sensor: { view: 'motion?part=sensor', words: 'motion' },
  power: { view: 'motion?part=power', words: 'motion' },
  light: { view: 'light', words: 'light' },
  'slot keys': { view: 'buttons', words: 'buttons' },
}

/** The device settings that the device has. */
const settingsOf = ({ settings }: Profile, model: DeviceModel, textOf: TextOf): PlacedFindable[] =>
  SETTINGS.flatMap(({ key, name, setIn, factory, text }) => {
    const value = settings[key] ?? factory(model)
    if (value === undefined) return []
    return [
      {
        kind: 'setting',
        text: textOf(name),
        detail: textOf(text(value)),
        words: `${SET_IN[setIn].words} ${OTHER_WORDS[key] ?? ''}`,
        view: SET_IN[setIn].view,
      },
    ]
  })

const lightOf = ({ light }: Profile, textOf: TextOf): PlacedFindable[] =>
  light.map((item) => ({
    kind: 'setting',
    text: textOf(message('differences.light', { effect: stackItemName(item) })),
    detail: item.kind === 'effect' ? textOf(effectMessage(item.effect)) : '',
    words: 'zone effect colour stack',
    view: 'light',
  }))
