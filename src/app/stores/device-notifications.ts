import { t } from '../../messages/page'
import { effectiveSettings } from '../../core/document/device-settings'
import { NO_BATTERY, type DeviceInfo } from '../../core/link/packets'
import { deviceTitle, type KnownDevice } from './known-device'
import { useNotifications } from './notifications'

/** Charge at which a battery counts as charged, in percent. */
const CHARGED = 100

/** Events of devices, shown to the person: each once, and only as long as it applies. */
export function useDeviceNotifications(known: ReadonlyMap<string, KnownDevice>) {
  const notices = useNotifications()
  /** Devices whose low charge was reported, and those that were charging. */
  const lowReported = new Set<string>()
  const charging = new Set<string>()
  const title = (device: KnownDevice) => deviceTitle(device, [...known.values()])

  /** The device also signals a low charge by its light. */
  function noteBattery(device: KnownDevice, info: DeviceInfo): void {
    const { id, model, slots } = device
    const { activeSlot, batteryPercent } = info
    const here = () => known.get(id)?.connected === true
    if (batteryPercent === NO_BATTERY) return
    if (info.charging && batteryPercent < CHARGED) charging.add(id)
    if (batteryPercent >= CHARGED && charging.delete(id) && info.charging)
      notices.tell('charged', t('stores.isChargedYouCanUnplugItsCable', { title: title(device) }), {
        holds: () => here() && known.get(id)?.info?.charging === true,
      })
    const { noticePercent = 0 } = effectiveSettings(slots[activeSlot]?.profile?.settings ?? {}, model)
    if (info.charging || batteryPercent > noticePercent) lowReported.delete(id)
    else if (!lowReported.has(id)) {
      lowReported.add(id)
      notices.tell(
        'battery',
        t('stores.hasChargeLeftYouCanUseIt', { title: title(device), percent: batteryPercent }),
        { holds: () => here() && known.get(id)?.info?.charging !== true },
      )
    }
  }

  /** The device also signals another slot by its light. */
  function noteSlot(device: KnownDevice, active: number): void {
    const { id, slots, info } = device
    if (!info || info.activeSlot === active) return
    const content = slots[active]
    const holds =
      content &&
      (content.bytes
        ? `“${content.profile?.name ?? 'a profile that cannot be read'}”`
        : t('stores.itIsEmpty'))
    notices.tell(
      'slot',
      holds
        ? t('stores.slotOfIsNowActive', { slot: active + 1, title: title(device), contents: holds })
        : t('stores.slotOfIsNowActive2', { slot: active + 1, title: title(device) }),
      {
        holds: () => known.get(id)?.connected === true && known.get(id)?.info?.activeSlot === active,
      },
    )
  }

  function noteConnection(device: KnownDevice, connected: boolean): void {
    const { id, model, info } = device
    const by = connected && info ? model.connections[info.connection]?.name : undefined
    notices.tell(
      'connection',
      connected
        ? by
          ? t('stores.isConnectedBy', { title: title(device), connection: by })
          : t('stores.isConnected', { title: title(device) })
        : t('stores.wasDisconnectedItKeepsItsProfiles', { title: title(device) }),
      { holds: () => known.get(id)?.connected === connected },
    )
  }

  return { noteBattery, noteSlot, noteConnection }
}
