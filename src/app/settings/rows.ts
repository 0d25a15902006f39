import { t, withTexts } from '../../messages/page'
import { computed, type Component, type ComputedRef } from 'vue'
import { useTheme } from '../../look/component-library'
import { useLightsMove } from '../../look/lights-move'
import { TEXT_SIZES, useOwnLook } from '../../look/own-look'
import { usePreferences, type Preferences } from '../stores/preferences'
import BackupSettings from './BackupSettings.vue'
import ComputerSettings from './ComputerSettings.vue'
import ForgetEverything from './ForgetEverything.vue'
import NoteSettings from './NoteSettings.vue'
import NotificationSettings from './NotificationSettings.vue'
import OfflineSettings from './OfflineSettings.vue'
import NotificationHistory from './NotificationHistory.vue'
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

/** The row of each setting: a missing row does not compile. */
export const ROWS: Record<SettingId, Row> = {
  theme: {
    choice: choice(
      [
        withTexts({ value: 'auto' }, { text: 'settings.sameAsSystem' }),
        withTexts({ value: 'light' }, { text: 'settings.light' }),
        withTexts({ value: 'dark' }, { text: 'settings.dark' }),
      ],
      () => {
        const { store } = useTheme()
        return { now: () => store.value, choose: (value) => (store.value = value) }
      },
    ),
  },
  textSize: {
    choice: choice(
      TEXT_SIZES.map((value) =>
        value === 100
          ? withTexts({ value }, { text: 'settings.standard' })
          : {
              value,
              get text() {
                return t('look.percent', { percent: value })
              },
            },
      ),
      () => {
        const { look, setLook } = useOwnLook()
        return { now: () => look.value.textSize, choose: (textSize) => setLook({ textSize }) }
      },
    ),
  },
  contrast: {
    choice: choice(
      [
        withTexts({ value: 'usual' }, { text: 'settings.standard' }),
        withTexts({ value: 'more' }, { text: 'settings.high' }),
      ],
      () => {
        const { look, setLook } = useOwnLook()
        return { now: () => look.value.contrast, choose: (contrast) => setLook({ contrast }) }
      },
    ),
  },
  lights: withTexts(
    {
      choice: choice(
        [
          withTexts({ value: 'move' }, { text: 'settings.moving' }),
          withTexts({ value: 'rest' }, { text: 'settings.still' }),
        ],
        () => {
          const moves = useLightsMove()
          return {
            now: () => (moves.value ? 'move' : 'rest'),
            choose: (value) => (moves.value = value === 'move'),
          }
        },
      ),
    },
    { note: 'settings.followsTheSystemsSettingForReduced' },
  ),
  lengths: withTexts(
    {
      choice: preference('lengths', [
        withTexts({ value: 'metric' }, { text: 'settings.millimetres' }),
        withTexts({ value: 'inches' }, { text: 'settings.inches' }),
      ]),
    },
    { note: 'settings.numbersUseTheFormatOfYourSystem' },
  ),
  computer: { panel: ComputerSettings },
  capture: {
    choice: preference('capture', [
      withTexts({ value: 'together' }, { text: 'settings.holdTheKeysTogether' }),
      withTexts({ value: 'inTurn' }, { text: 'settings.pressOneKeyAfterAnother' }),
    ]),
  },
  start: {
    choice: preference('start', [
      withTexts({ value: 'devices' }, { text: 'settings.devices' }),
      withTexts({ value: 'last' }, { text: 'settings.lastView' }),
    ]),
  },
  notes: { panel: NoteSettings },
  notices: { panel: NotificationSettings, wide: true },
  said: { panel: NotificationHistory, wide: true },
  storage: { panel: StorageSettings, wide: true },
  offline: { panel: OfflineSettings },
  backup: { panel: BackupSettings, wide: true },
  support: { panel: SupportSettings, wide: true },
  forget: { panel: ForgetEverything },
}
