import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import { ByteWriter, ImageError, type ByteReader } from '../base/bytes'
import { message } from '../message/message'

/**
 * Keys pressed and released one after the other, as typing needs them (docs/onboard-format.md, "Strokes"): one byte for
 * a key with or without Shift, two with AltGr, three for any chord.
 */
export type Stroke =
  /** `modifiers`: bit 0 left Control … bit 7 right GUI, as in the keyboard report. */
  { kind: 'tap'; usage: number; modifiers: number } | { kind: 'wait'; ms: number }

export const WAIT_UNIT_MS = 10

const CHORD = 0
const WAIT = 1
const ALTGR = 2
const ALTGR_SHIFT = 3
/** The lowest byte that is a key usage; lower bytes define how to read the following ones. */
const FIRST_KEY = 4
const SHIFTED = 0x80

export const SHIFT_BIT = 1 << 1
export const ALTGR_BIT = 1 << (0xe6 - FIRST_MODIFIER_USAGE)

/** @param strokes delays are multiples of 10 ms, up to 2,550 ms */
export function writeStrokes(strokes: readonly Stroke[]): number[] {
  const writer = new ByteWriter()
  for (const stroke of strokes) {
    if (stroke.kind === 'wait') writer.bytes([WAIT, stroke.ms / WAIT_UNIT_MS])
    else writer.bytes(tapBytes(stroke))
  }
  return [...writer.toBytes()]
}

function tapBytes({ usage, modifiers }: { usage: number; modifiers: number }): number[] {
  if (modifiers === ALTGR_BIT) return [ALTGR, usage]
  if (modifiers === (ALTGR_BIT | SHIFT_BIT)) return [ALTGR_SHIFT, usage]
  const plain = usage >= FIRST_KEY && usage < SHIFTED
  if (plain && modifiers === 0) return [usage]
  if (plain && modifiers === SHIFT_BIT) return [SHIFTED | usage]
  return [CHORD, modifiers, usage]
}

/**
 * Reads strokes up to the end of the record. @throws ImageError when the last one is incomplete, or a stroke is
 * reserved
 */
export function readStrokes(reader: ByteReader): Stroke[] {
  const strokes: Stroke[] = []
  while (reader.left > 0) strokes.push(readStroke(reader))
  return strokes
}

function readStroke(reader: ByteReader): Stroke {
  const head = reader.u8()
  const tap = (usage: number, modifiers: number): Stroke => ({ kind: 'tap', usage, modifiers })
  if (head === WAIT) return { kind: 'wait', ms: reader.u8() * WAIT_UNIT_MS }
  if (head === ALTGR) return tap(reader.u8(), ALTGR_BIT)
  if (head === ALTGR_SHIFT) return tap(reader.u8(), ALTGR_BIT | SHIFT_BIT)
  if (head === CHORD) {
    const modifiers = reader.u8()
    return tap(reader.u8(), modifiers)
  }
  if (head >= SHIFTED && head < SHIFTED + FIRST_KEY)
    throw new ImageError(message('images.reservedStroke', { stroke: head.toString(16) }))
  return head & SHIFTED ? tap(head & ~SHIFTED, SHIFT_BIT) : tap(head, 0)
}
