import { t, textOf } from '../../messages/page'
import { decimal } from './numbers'
import { NO_BATTERY, type DeviceInfo } from '../../core/link/packets'
import type { KnownDevice } from '../stores/known-device'

/** Connection and battery of a device as a short text. */
export function deviceLine(device: KnownDevice): string {
  if (!device.connected) return t('shared.notConnected')
  const { info, model } = device
  if (!info) return t('shared.readingDevice')
  const name = model.connections[info.connection]?.name
  const connection = name ? textOf(name) : t('shared.connected')
  return info.batteryPercent === NO_BATTERY
    ? connection
    : t('shared.connectionAndBattery', { connection, battery: batteryText(info) })
}

/** Why nothing on a device can be changed now, or undefined. */
export function whyReadOnly({ connected, info, model, name }: KnownDevice): string | undefined {
  if (!connected || !info) return t('shared.connectByCableOrReceiverFirst', { name: name || model.name })
  const connection = model.connections[info.connection]
  return connection?.configurable
    ? undefined
    : t('shared.cannotChangeSettingsUseTheCableOr', { name: connection?.name ?? t('shared.thisConnection') })
}

/** The charge of the battery, or that there is none. */
export const batteryText = ({
  batteryPercent,
  charging,
}: Pick<DeviceInfo, 'batteryPercent' | 'charging'>): string =>
  batteryPercent === NO_BATTERY
    ? t('shared.nonePoweredByTheCable')
    : charging
      ? t('shared.charging', { percent: batteryPercent })
      : t('look.percent', { percent: batteryPercent })

/** An integer with the system's thousands separators. */
export const integerText = (count: number): string => decimal(count)

export const bytesText = (count: number): string => `${integerText(count)} B`

/** Hours and minutes of the local time. */
export const clockText = (ms: number): string =>
  new Date(ms).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })
