import { slotCapacity } from '../core/device/lookups'
import { NO_BATTERY, PROTOCOL_VERSION, type DeviceInfo } from '../core/link/packets'
import type { Surroundings } from './surroundings'

/** Information from the running firmware, in addition to that of the device around it. */
export type RunningInfo = Pick<
  DeviceInfo,
  'activeSlot' | 'activeStep' | 'revision' | 'lastInput' | 'presses' | 'logLines'
>

/** The information that a device reports. */
export const deviceInfo = (
  { model, version, serial, battery, alarms, connection, charging }: Surroundings,
  running: RunningInfo,
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
