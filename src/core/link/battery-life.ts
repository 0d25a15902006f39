import { ByteWriter, type ByteReader } from '../base/bytes'
import type { GaugeHour, GaugeTotals } from '../motion/battery-life'
import { REPLY_PAYLOAD } from './packets'

const HOUR_BYTES = 7
/** Number of hours in one reply, after their count. */
export const GAUGE_HOURS_PER_REPLY = Math.floor((REPLY_PAYLOAD - 1) / HOUR_BYTES)

/** The reply to command 6 (docs/link-protocol.md). */
export function encodeGauge({ capacityMah, takenMah, filledMah, present, hours }: GaugeTotals): Uint8Array {
  const writer = new ByteWriter()
  writer.u16(capacityMah)
  writer.u32(Math.round(10 * takenMah))
  writer.u32(Math.round(10 * filledMah))
  writer.u16(Math.floor(present.seconds))
  writer.u16(Math.floor(present.batterySeconds))
  writer.u32(Math.round(present.takenUah))
  writer.u16(hours)
  return writer.toBytes()
}

export const decodeGauge = (payload: ByteReader): GaugeTotals => ({
  capacityMah: payload.u16(),
  takenMah: payload.u32() / 10,
  filledMah: payload.u32() / 10,
  present: { seconds: payload.u16(), batterySeconds: payload.u16(), takenUah: payload.u32() },
  hours: payload.u16(),
})

/** The reply to command 7: the number of its hours, and each of them. */
export function encodeGaugeHours(hours: readonly GaugeHour[]): Uint8Array {
  const writer = new ByteWriter()
  writer.u8(hours.length)
  for (const { percent, batterySeconds, takenUah } of hours) {
    writer.u8(Math.round(percent))
    writer.u16(Math.round(batterySeconds))
    writer.u32(Math.round(takenUah))
  }
  return writer.toBytes()
}

export function decodeGaugeHours(payload: ByteReader): GaugeHour[] {
  const count = Math.min(payload.u8(), GAUGE_HOURS_PER_REPLY)
  return Array.from({ length: count }, () => ({
    percent: payload.u8(),
    batterySeconds: payload.u16(),
    takenUah: payload.u32(),
  }))
}
