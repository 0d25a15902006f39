import { itemAt } from '../base/items'
import { FIRST_MODIFIER_USAGE, isModifierUsage } from './modifiers'

/** Report ids of a Unisera device, as in its descriptor. */
export const REPORT_ID = { mouse: 1, keyboard: 2, consumer: 3, configuration: 0x10 } as const

/** Keyboard usages 0 to 0xA7 have one bit each in the keyboard report. */
export const KEY_BITS = 0xa8
/** Maximum number of consumer controls held at once. */
export const CONSUMER_SLOTS = 2
/** Data bytes of the configuration report; with its id it is 64 bytes. */
export const FEATURE_BYTES = 63

/** Motion, wheel and buttons of one mouse report, with ids and ranges as in the descriptor. */
export interface MouseState {
  /** Bit n-1 set: button n is down. */
  buttons: number
  /** Counts since the last report, each within ±32,767. */
  x: number
  y: number
  /** Detents since the last report, each within ±127; wheel up and pan right are positive. */
  wheel: number
  pan: number
}

/**
 * @returns the mouse report with its id: 8 bytes. Thousands are created per second, so it writes the bytes without a
 *   view.
 */
export function mouseReport({ buttons, x, y, wheel, pan }: MouseState): Uint8Array {
  const bytes = new Uint8Array(8)
  bytes[0] = REPORT_ID.mouse
  bytes[1] = buttons
  bytes[2] = x
  bytes[3] = x >> 8
  bytes[4] = y
  bytes[5] = y >> 8
  bytes[6] = wheel
  bytes[7] = pan
  return bytes
}

/**
 * @param usages pressed keyboard-page usages, including modifiers; usages outside the report are ignored
 * @returns the keyboard report with its id: one modifier byte, then one bit per usage (23 bytes)
 */
export function keyboardReport(usages: Iterable<number>): Uint8Array {
  const bytes = new Uint8Array(2 + KEY_BITS / 8)
  bytes[0] = REPORT_ID.keyboard
  for (const usage of usages) {
    if (isModifierUsage(usage)) bytes[1] = itemAt(bytes, 1) | (1 << (usage - FIRST_MODIFIER_USAGE))
    else if (usage < KEY_BITS) bytes[2 + (usage >> 3)] = itemAt(bytes, 2 + (usage >> 3)) | (1 << (usage & 7))
  }
  return bytes
}

/**
 * @param usages pressed consumer-page usages; those after the second are ignored
 * @returns the consumer report with its id: two usages of 16 bits (5 bytes)
 */
export function consumerReport(usages: readonly number[]): Uint8Array {
  const bytes = new Uint8Array(1 + 2 * CONSUMER_SLOTS)
  const view = new DataView(bytes.buffer)
  view.setUint8(0, REPORT_ID.consumer)
  usages.slice(0, CONSUMER_SLOTS).forEach((usage, index) => view.setUint16(1 + 2 * index, usage, true))
  return bytes
}
