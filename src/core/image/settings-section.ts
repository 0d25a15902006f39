import type { DebounceStrategy } from '../motion/debounce'
import type { DeviceSettings } from '../motion/settings'
import { readTagged, writeTagged } from './actions'
import { ByteWriter, type ByteReader } from './bytes'

const STRATEGIES: readonly DebounceStrategy[] = ['eager', 'deferred']

/** Codes of section 10, "Finer settings"; the value of each is one byte. */
const CODE = { liftOff: 1, angleSnapping: 2, debounce: 3, strategy: 4, sleep: 5, notice: 6 } as const

/** Lift-off in tenths of a mm, debounce in ms, sleep in minutes, notice in percent; in the order of the codes. */
export function writeSettings(settings: DeviceSettings): Uint8Array {
  const writer = new ByteWriter()
  const entry = (code: number, value: number | undefined) =>
    value !== undefined && writeTagged(writer, code, [value])
  const { liftOffMm, angleSnapping, debounceMs, debounce, sleepMinutes, noticePercent } = settings
  entry(CODE.liftOff, liftOffMm === undefined ? undefined : Math.round(liftOffMm * 10))
  entry(CODE.angleSnapping, angleSnapping === undefined ? undefined : Number(angleSnapping))
  entry(CODE.debounce, debounceMs)
  entry(CODE.strategy, debounce === undefined ? undefined : STRATEGIES.indexOf(debounce))
  entry(CODE.sleep, sleepMinutes)
  entry(CODE.notice, noticePercent)
  return writer.toBytes()
}

/** Reads the section to its end; settings of a later version are passed over. @throws ImageError */
export function readSettings(payload: ByteReader): DeviceSettings {
  const settings: DeviceSettings = {}
  while (payload.left > 0) {
    const { code, payload: value } = readTagged(payload)
    if (code === CODE.liftOff) settings.liftOffMm = value.u8() / 10
    else if (code === CODE.angleSnapping) settings.angleSnapping = value.u8() === 1
    else if (code === CODE.debounce) settings.debounceMs = value.u8()
    else if (code === CODE.strategy) settings.debounce = STRATEGIES[value.u8()] ?? STRATEGIES[0]
    else if (code === CODE.sleep) settings.sleepMinutes = value.u8()
    else if (code === CODE.notice) settings.noticePercent = value.u8()
  }
  return settings
}
