import { keysOf, tableOf } from '../../core/base/tables'
import { StorageSerializers } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { boolean, mixed, object, type Schema } from 'yup'
import type { LayoutId } from '../../core/computer/layouts'
import { KNOWN_LAYOUTS } from '../../core/computer/layouts/ids'
import type { ComputerSetUp } from '../../core/computer/shortcuts'
import { OPERATING_SYSTEMS, type OperatingSystem } from '../../core/computer/systems'
import { useOwnSetting } from '../../look/own-storage'

/** What devices and the application tell of their own accord, each switched on or off. */
export const NOTICE_KINDS = {
  battery: 'A battery is low, at the level set in Motion',
  charged: 'A battery is charged',
  connection: 'A device comes or goes',
  slot: 'A device is in another slot',
  firmware: 'A newer firmware is here',
  storage: 'Room in this browser runs out',
} as const
export type NoticeKind = keyof typeof NOTICE_KINDS
const KINDS = keysOf(NOTICE_KINDS)

export interface Preferences {
  /** What distances of the hand are in. */
  lengths: 'metric' | 'inches'
  start: 'devices' | 'last'
  /** The computer that new profiles are for. */
  system: OperatingSystem | 'open'
  layout: LayoutId
  notices: Record<NoticeKind, boolean>
  /** How a chord is captured: its keys held together, or pressed one after the other. */
  capture: 'together' | 'inTurn'
  /** Notices are shown by the system as well, while this page is not looked at. */
  toSystem: boolean
}

export const USUAL: Preferences = {
  lengths: 'metric',
  start: 'devices',
  system: 'open',
  layout: 'us',
  capture: 'together',
  notices: tableOf(KINDS, () => true),
  toSystem: false,
}

const GATES: Record<keyof Preferences, Schema> = {
  lengths: mixed().oneOf(['metric', 'inches']),
  start: mixed().oneOf(['devices', 'last']),
  system: mixed().oneOf(['open', ...OPERATING_SYSTEMS]),
  layout: mixed().oneOf([...KNOWN_LAYOUTS]),
  capture: mixed().oneOf(['together', 'inTurn']),
  notices: object(),
  toSystem: boolean(),
}

/** What was kept, with what cannot be read of it as it was made. */
export function readPreferences(kept: Record<string, unknown>): Preferences {
  const read = (key: keyof Preferences) => {
    const value = kept[key]
    return value !== undefined && GATES[key].isValidSync(value, { strict: true }) ? [[key, value]] : []
  }
  const keys = keysOf(USUAL)
  const found: Preferences = { ...USUAL, ...Object.fromEntries(keys.flatMap(read)) }
  // A kind that came since, or cannot be read, costs none of the others.
  const told: Readonly<Record<string, unknown>> = found.notices
  return { ...found, notices: tableOf(KINDS, (kind) => told[kind] !== false) }
}

/** How the application is for one person: the same in every tab of this browser. */
export const usePreferences = defineStore('preferences', () => {
  const kept = useOwnSetting<Record<string, unknown> | null>('unisera-preferences', null, {
    serializer: StorageSerializers.object,
  })
  const now = computed(() => readPreferences(kept.value ?? {}))

  function set<Key extends keyof Preferences>(key: Key, value: Preferences[Key]): void {
    kept.value = { ...kept.value, [key]: value }
  }

  /** Whether the person has set it, to whatever. */
  const isSet = (key: keyof Preferences): boolean => kept.value?.[key] !== undefined

  /** The computer that new profiles are for. */
  const computer = computed((): ComputerSetUp => {
    const { system, layout } = now.value
    return { layout, ...(system !== 'open' && { system }) }
  })

  return { now, set, isSet, computer }
})
