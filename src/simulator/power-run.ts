import { isolatedDevice } from './isolated-device'
import type { PowerRun, PowerRunRequest } from './api'

const HOUR_US = 3.6e9
/** A hand moves for some seconds of each minute; the sensor stays awake between two movements. */
const MOVE_EVERY_US = 400_000
const MINUTE_US = 60e6
const MAX_DAYS = 60

/**
 * Simulates a separate device with its own clock, from a full battery until it is empty: some hours of use per day,
 * then idle. The device's own battery, sleep and warning do the rest.
 */
export async function powerRun(request: PowerRunRequest): Promise<PowerRun> {
  const { model, clock, device, startUs } = await isolatedDevice(request)
  const capacityMah = model.electrical.battery?.capacityMah
  if (!capacityMah) throw new Error(`${model.name} has no battery`)
  // It is full after writing by cable, and starts to run down now.
  clock.runUntil(startUs)
  const input = model.inputs.find(({ kind }) => kind === 'press')?.id ?? ''
  const samples: PowerRun['samples'] = []
  const hour = () => (clock.nowUs - startUs) / HOUR_US
  const percent = () => (100 * device.state.chargeMah) / capacityMah
  const sample = () => samples.push({ hour: hour(), percent: percent() })
  let noticeHour: number | undefined
  const touch = () => {
    if (model.sensor) return device.move(1, 0)
    device.press(input)
    device.release(input)
  }
  let inHandHours = 0
  sample()
  for (let day = 0; day < MAX_DAYS && device.state.on; day++) {
    const dayUs = startUs + day * 24 * HOUR_US
    // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- time passes within the loop
    for (let minute = 0; minute < request.hoursADay * 60 && device.state.on; minute++) {
      const untilUs = dayUs + (minute + request.activeShare) * MINUTE_US
      for (; clock.nowUs < untilUs; clock.runUntil(clock.nowUs + MOVE_EVERY_US)) touch()
      clock.runUntil(dayUs + (minute + 1) * MINUTE_US)
      inHandHours += 1 / 60
      if (device.state.low) noticeHour ??= hour()
      if (minute % 30 === 29) sample()
    }
    clock.runUntil(dayUs + 24 * HOUR_US)
    sample()
    if (device.state.low) noticeHour ??= hour()
  }
  device.setPlugs({ cable: 'charging' })
  const fromUs = clock.nowUs
  while (percent() < 99.99) clock.runUntil(clock.nowUs + MINUTE_US)
  const chargeHours = (clock.nowUs - fromUs) / HOUR_US
  return { samples, inHandHours, chargeHours, ...(noticeHour !== undefined && { noticeHour }) }
}
