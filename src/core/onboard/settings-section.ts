import type { DebounceStrategy, DeviceSettings } from './settings'
import { readTagged, writeTagged } from './tagged'
import { ByteWriter, ImageError, type ByteReader } from '../base/bytes'

const STRATEGIES: readonly DebounceStrategy[] = ['eager', 'deferred']

/** Codes of section 10, "Finer settings"; the value of each is one byte. */
const CODE = { liftOff: 1, angleSnapping: 2, debounce: 3, strategy: 4, sleep: 5, notice: 6 } as const

/** A tagged record of a later version, or with a value that none of this version has: kept byte for byte. */
export interface UnknownRecord {
  code: number
  payload: number[]
}

/** Lift-off in tenths of a mm, debounce in ms, sleep in minutes, notice in percent; in the order of the codes. */
export function writeSettings(settings: DeviceSettings, kept: readonly UnknownRecord[] = []): Uint8Array {
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
  for (const { code, payload } of kept) writeTagged(writer, code, payload)
  return writer.toBytes()
}

/** Reads the section to its end. @throws ImageError when it is cut short or says a setting twice */
export function readSettings(payload: ByteReader): { settings: DeviceSettings; kept: UnknownRecord[] } {
  const settings: DeviceSettings = {}
  const kept: UnknownRecord[] = []
  const seen = new Set<number>()
  while (payload.left > 0) {
    const { code, payload: value } = readTagged(payload)
    if (seen.has(code)) throw new ImageError(`setting ${code}: there twice`)
    seen.add(code)
    const known = value.left === 1 && settingOf(code, value.u8())
    if (known) Object.assign(settings, known)
    else kept.push({ code, payload: [...value.all()] })
  }
  return { settings, kept }
}

/** What a code and its byte set; undefined for one that this version does not have. */
function settingOf(code: number, value: number): DeviceSettings | undefined {
  const within = (least: number, most: number) => value >= least && value <= most
  if (code === CODE.liftOff && within(1, 250)) return { liftOffMm: value / 10 }
  if (code === CODE.angleSnapping && within(0, 1)) return { angleSnapping: value === 1 }
  if (code === CODE.debounce) return { debounceMs: value }
  if (code === CODE.strategy && within(0, 1)) return { debounce: STRATEGIES[value] }
  if (code === CODE.sleep && within(1, 255)) return { sleepMinutes: value }
  if (code === CODE.notice && within(0, 100)) return { noticePercent: value }
  return undefined
}
