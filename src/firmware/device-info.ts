import { slotCapacity } from '../core/device/lookups'
import { NO_BATTERY, PROTOCOL_VERSION, type DeviceInfo } from '../core/link/packets'
import type { Surroundings } from './surroundings'

/** What the running firmware adds to what the device around it says of itself. */
export type InfoOfRunning = Pick<
  DeviceInfo,
  'activeSlot' | 'activeStep' | 'revision' | 'lastInput' | 'presses' | 'logLines'
>

/** What a device says of itself. */
export const deviceInfo = (
  { model, version, serial, battery, alarms, connection, charging }: Surroundings,
  running: InfoOfRunning,
): DeviceInfo => ({
  protocol: PROTOCOL_VERSION,
  model: model.number,
  firmware: version,
  serial,
  slots: model.memory.slots,
  slotBytes: slotCapacity(model.memory),
  connection: model.connections.findIndex((each) => each === connection()),
  batteryPercent: battery?.percent(alarms.nowUs) ?? NO_BATTERY,
  charging: charging(),
  ...running,
})
