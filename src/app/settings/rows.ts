import { computed, type Component, type ComputedRef } from 'vue'
import { useTheme } from '../../look/component-library'
import { useLightsMove } from '../../look/lights-move'
import { TEXT_SIZES, useOwnLook } from '../../look/own-look'
import { usePreferences, type Preferences } from '../stores/preferences'
import BackupSettings from './BackupSettings.vue'
import ComputerSettings from './ComputerSettings.vue'
import ForgetEverything from './ForgetEverything.vue'
import NoteSettings from './NoteSettings.vue'
import NoticeSettings from './NoticeSettings.vue'
import OfflineSettings from './OfflineSettings.vue'
import SaidList from './SaidList.vue'
import type { SettingId } from './settings'
import StorageSettings from './StorageSettings.vue'
import SupportSettings from './SupportSettings.vue'

/** The control of a setting: a few options, or a panel. */
export type Row =
  | { choice: () => Choice; note?: string }
  /** `wide`: its controls are stacked. */
  | { panel: Component; wide?: true }

export interface Choice {
  choices: readonly { value: string | number; text: string }[]
  now: ComputedRef<string | number>
  choose(value: string | number): void
}

/** Keeps the type of the values together. */
const choice =
  <T extends string | number>(
    choices: readonly { value: T; text: string }[],
    use: () => { now: () => T; choose: (value: T) => void },
  ) =>
  (): Choice => {
    const { now, choose } = use()
    return {
      choices,
      now: computed(now),
      choose(value) {
        const chosen = choices.find((each) => each.value === value)
        if (chosen) choose(chosen.value)
      },
    }
  }

const preference = <K extends 'lengths' | 'capture' | 'start'>(
  key: K,
  choices: readonly { value: Preferences[K]; text: string }[],
) =>
  choice(choices, () => {
    const preferences = usePreferences()
    return { now: () => preferences.now[key], choose: (value) => preferences.set(key, value) }
  })

/** The row of every setting: one without a row does not compile. */
export const ROWS: Record<SettingId, Row> = {
  theme: {
    choice: choice(
      [
        { value: 'auto', text: 'as the system' },
        { value: 'light', text: 'light' },
        { value: 'dark', text: 'dark' },
      ],
      () => {
        const { store } = useTheme()
        return { now: () => store.value, choose: (value) => (store.value = value) }
      },
    ),
  },
  textSize: {
    choice: choice(
      TEXT_SIZES.map((value) => ({ value, text: value === 100 ? 'usual' : `${value} %` })),
      () => {
        const { look, setLook } = useOwnLook()
        return { now: () => look.value.textSize, choose: (textSize) => setLook({ textSize }) }
      },
    ),
  },
  contrast: {
    choice: choice(
      [
        { value: 'usual', text: 'usual' },
        { value: 'more', text: 'more' },
      ],
      () => {
        const { look, setLook } = useOwnLook()
        return { now: () => look.value.contrast, choose: (contrast) => setLook({ contrast }) }
      },
    ),
  },
  lights: {
    choice: choice(
      [
        { value: 'move', text: 'move' },
        { value: 'rest', text: 'rest' },
      ],
      () => {
        const moves = useLightsMove()
        return {
          now: () => (moves.value ? 'move' : 'rest'),
          choose: (value) => (moves.value = value === 'move'),
        }
      },
    ),
    note: 'Until it is chosen here, as the system asks for less motion or not.',
  },
  lengths: {
    choice: preference('lengths', [
      { value: 'metric', text: 'mm and cm' },
      { value: 'inches', text: 'inches' },
    ]),
    note: 'Decimal sign and thousands are as your system writes them.',
  },
  computer: { panel: ComputerSettings },
  capture: {
    choice: preference('capture', [
      { value: 'together', text: 'Hold the keys together' },
      { value: 'inTurn', text: 'Press one key after the other' },
    ]),
  },
  start: {
    choice: preference('start', [
      { value: 'devices', text: 'Devices' },
      { value: 'last', text: 'where I was last' },
    ]),
  },
  notes: { panel: NoteSettings },
  notices: { panel: NoticeSettings, wide: true },
  said: { panel: SaidList, wide: true },
  storage: { panel: StorageSettings, wide: true },
  offline: { panel: OfflineSettings },
  backup: { panel: BackupSettings, wide: true },
  support: { panel: SupportSettings, wide: true },
  forget: { panel: ForgetEverything },
}
