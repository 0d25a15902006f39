import { withTexts } from '../../messages/page'
import { keysOf, recordFromKeys } from '../../core/base/tables'
import { StorageSerializers } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { boolean, mixed, object, type Schema } from 'yup'
import type { LayoutId } from '../../core/computer/layouts'
import { KNOWN_LAYOUTS } from '../../core/computer/layouts/ids'
import type { TargetComputer } from '../../core/computer/shortcuts'
import { OPERATING_SYSTEMS, type OperatingSystem } from '../../core/computer/operating-systems'
import { useOwnSetting } from '../../look/own-storage'

/** Events of devices and the application to notify about, each switched on or off. */
export const NOTIFICATION_KINDS = withTexts(
  {},
  {
    battery: 'stores.lowBatteryAtTheLevelSetIn',
    charged: 'stores.batteryCharged',
    connection: 'stores.deviceConnectedOrDisconnected',
    slot: 'stores.activeSlotChanged',
    firmware: 'stores.firmwareUpdateAvailable',
    storage: 'stores.browserStorageRunningLow',
  },
)
export type NotificationKind = keyof typeof NOTIFICATION_KINDS
const KINDS = keysOf(NOTIFICATION_KINDS)

export interface Preferences {
  /** Units for hand movement. */
  lengths: 'metric' | 'inches'
  start: 'devices' | 'last'
  /** The computer of new profiles. */
  system: OperatingSystem | 'open'
  layout: LayoutId
  notices: Record<NotificationKind, boolean>
  /** How chords are captured: keys held together, or pressed one after the other. */
  capture: 'together' | 'inTurn'
  /** Notifications also appear through the system while this page is in the background. */
  toSystem: boolean
}

export const DEFAULT_PREFERENCES: Preferences = {
  lengths: 'metric',
  start: 'devices',
  system: 'open',
  layout: 'us',
  capture: 'together',
  notices: recordFromKeys(KINDS, () => true),
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

/** The stored settings, with defaults for unreadable ones. */
export function readPreferences(kept: Record<string, unknown>): Preferences {
  const read = (key: keyof Preferences) => {
    const value = kept[key]
    return value !== undefined && GATES[key].isValidSync(value, { strict: true }) ? [[key, value]] : []
  }
  const keys = keysOf(DEFAULT_PREFERENCES)
  const found: Preferences = { ...DEFAULT_PREFERENCES, ...Object.fromEntries(keys.flatMap(read)) }
  // A new or unreadable kind does not affect the others.
  const told: Readonly<Record<string, unknown>> = found.notices
  return { ...found, notices: recordFromKeys(KINDS, (kind) => told[kind] !== false) }
}

/** The person's settings, shared by all tabs of this browser. */
export const usePreferences = defineStore('preferences', () => {
  const kept = useOwnSetting<Record<string, unknown> | null>('unisera-preferences', null, {
    serializer: StorageSerializers.object,
  })
  const now = computed(() => readPreferences(kept.value ?? {}))

  function set<Key extends keyof Preferences>(key: Key, value: Preferences[Key]): void {
    kept.value = { ...kept.value, [key]: value }
  }

  /** Whether the person has set it, to any value. */
  const isSet = (key: keyof Preferences): boolean => kept.value?.[key] !== undefined

  /** The computer of new profiles. */
  const computer = computed((): TargetComputer => {
    const { system, layout } = now.value
    return { layout, ...(system !== 'open' && { system }) }
  })

  return { now, set, isSet, computer }
})
