import { decimal } from './numbers'
import { NO_BATTERY, type DeviceInfo } from '../../core/link/packets'
import type { KnownDevice } from '../stores/known-device'

/** Connection and battery of a device in a few words. */
export function deviceLine(device: KnownDevice): string {
  if (!device.connected) return 'not connected'
  const { info, model } = device
  if (!info) return 'reading…'
  const connection = model.connections[info.connection]?.name ?? 'connected'
  return info.batteryPercent === NO_BATTERY ? connection : `${connection} · ${batteryText(info)}`
}

/** Why nothing on a device can be changed now, or undefined where it can be. */
export function noChanges({ connected, info, model, name }: KnownDevice): string | undefined {
  if (!connected || !info) return `Connect ${name || model.name} by cable or receiver first`
  const connection = model.connections[info.connection]
  return connection?.configurable
    ? undefined
    : `${connection?.name ?? 'This connection'} carries no configuration: use the cable or the receiver`
}

/** The charge of a battery, or that there is none. */
export const batteryText = ({
  batteryPercent,
  charging,
}: Pick<DeviceInfo, 'batteryPercent' | 'charging'>): string =>
  batteryPercent === NO_BATTERY
    ? 'none, runs from the cable'
    : `${batteryPercent} %${charging ? ', charging' : ''}`

/** A device in the person's words: what kind of thing it is. */
export const deviceNoun = ({ kind }: { kind: 'mouse' | 'keyboard' }): string => kind

/** A whole number, as the system parts its thousands. */
export const figure = (count: number): string => decimal(count)

export const bytesText = (count: number): string => `${figure(count)} B`

/** Hours and minutes on the person's clock. */
export const clockText = (ms: number): string =>
  new Date(ms).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })
