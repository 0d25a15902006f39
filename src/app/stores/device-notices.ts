import { settingsInForce } from '../../core/document/device-settings'
import { NO_BATTERY, type DeviceInfo } from '../../core/link/packets'
import { titleOf, type KnownDevice } from './known-device'
import { useNotices } from './notices'

/** A charge from which on a battery counts as charged, in percent. */
const CHARGED = 100

/** What devices do of their own accord, told to who looks at the screen: each once, and only as long as it is so. */
export function useDeviceNotices(known: ReadonlyMap<string, KnownDevice>) {
  const notices = useNotices()
  /** Devices of which it was said that their charge is low, and those that were seen charging. */
  const saidLow = new Set<string>()
  const charging = new Set<string>()
  const title = (device: KnownDevice) => titleOf(device, [...known.values()])

  /** The device gives notice of a low charge by its light as well. */
  function noteBattery(device: KnownDevice, info: DeviceInfo): void {
    const { id, model, slots } = device
    const { activeSlot, batteryPercent } = info
    const here = () => known.get(id)?.connected === true
    if (batteryPercent === NO_BATTERY) return
    if (info.charging && batteryPercent < CHARGED) charging.add(id)
    if (batteryPercent >= CHARGED && charging.delete(id) && info.charging)
      notices.tell('charged', `${title(device)} is charged: its cable can be taken out`, {
        holds: () => here() && known.get(id)?.info?.charging === true,
      })
    const { noticePercent = 0 } = settingsInForce(slots[activeSlot]?.profile?.settings ?? {}, model)
    if (info.charging || batteryPercent > noticePercent) saidLow.delete(id)
    else if (!saidLow.has(id)) {
      saidLow.add(id)
      notices.tell(
        'battery',
        `${title(device)} has ${batteryPercent} % of its charge left. Its cable charges it while it is used.`,
        { holds: () => here() && known.get(id)?.info?.charging !== true },
      )
    }
  }

  /** The device tells another slot by its light as well. */
  function noteSlot(device: KnownDevice, active: number): void {
    const { id, slots, info } = device
    if (!info || info.activeSlot === active) return
    const content = slots[active]
    const holds =
      content &&
      (content.bytes ? `“${content.profile?.name ?? 'a profile that cannot be read'}”` : 'it is empty')
    notices.tell('slot', `Slot ${active + 1} of ${title(device)} is active now${holds ? `: ${holds}` : ''}`, {
      holds: () => known.get(id)?.connected === true && known.get(id)?.info?.activeSlot === active,
    })
  }

  function noteConnection(device: KnownDevice, connected: boolean): void {
    const { id, model, info } = device
    const by = connected && info ? model.connections[info.connection]?.name : undefined
    notices.tell(
      'connection',
      connected
        ? `${title(device)} is connected${by ? ` by ${by}` : ''}`
        : `${title(device)} is not connected any more. What it holds is in it; edits are kept here.`,
      { holds: () => known.get(id)?.connected === connected },
    )
  }

  return { noteBattery, noteSlot, noteConnection }
}
