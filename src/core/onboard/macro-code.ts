import { ByteReader, ByteWriter, ImageError, MAX_VARINT } from '../base/bytes'
import { FIRST_FIRMWARE } from '../base/versions'
import { findBudgetProblem, countOperations } from './macro-budget'
import type { MacroOp } from './macro-ops'
import { readStrokes, writeStrokes, type Stroke } from '../actions/strokes'
import { message } from '../message/message'

const FIRST_KEY = 0x04
const LAST_KEY = 0x73
const FIRST_MODIFIER = 0xe0
/** Codes of the eight modifiers. */
const MODIFIER_CODE = 0x74
const REPEAT = 0x02
const REPEAT_END = 0x03
const BUTTON = 0x7c
const WHEEL = 0x7d
const MOVE = 0x7e
const MORE = 0x7f
/** Delays up to this many ms need one byte. */
const SHORT_WAIT = 0x80
const LONG_WAIT = 0xf0
export const MAX_SHORT_MS = LONG_WAIT - SHORT_WAIT
/** The longest single delay; a longer one becomes several. */
export const MAX_WAIT_MS = MAX_VARINT
const MAX_LONG_MS = MAX_SHORT_MS + 0x1000
export const MAX_REPEATS = 10_000
/** Maximum nesting of repeats. */
export const MAX_DEPTH = 4

/** Additional operations of this version; every other code is followed by a length and as many bytes. */
export const EXTENDED = {
  wait: { code: 0, since: FIRST_FIRMWARE },
  randomWait: { code: 1, since: FIRST_FIRMWARE },
  strokes: { code: 2, since: FIRST_FIRMWARE },
  signal: { code: 3, since: FIRST_FIRMWARE },
  step: { code: 4, since: FIRST_FIRMWARE },
  layer: { code: 5, since: FIRST_FIRMWARE },
  consumer: { code: 6, since: FIRST_FIRMWARE },
  farKey: { code: 7, since: FIRST_FIRMWARE },
  pan: { code: 8, since: FIRST_FIRMWARE },
  farMove: { code: 9, since: FIRST_FIRMWARE },
} as const

export function writeMacro(ops: readonly MacroOp[]): Uint8Array {
  const writer = new ByteWriter()
  for (const op of ops) writeOp(writer, op)
  return writer.toBytes()
}

/** Number of bytes of one operation. */
export const opBytes = (op: MacroOp): number => writeMacro([op]).length

/** The code of an additional operation, or undefined for one that every firmware supports. */
export function extendedCode(op: MacroOp): number | undefined {
  const [head, code] = writeMacro([op])
  return head === MORE ? code : undefined
}

/**
 * @throws ImageError for code that is incomplete, impossible for a device, nested too deeply, without the end of a
 *   repeat, or beyond the budget
 */
export function readMacro(code: Uint8Array): MacroOp[] {
  const ops = readOps(new ByteReader(code), 0)
  const over = findBudgetProblem(countOperations(ops))
  if (over)
    throw new ImageError(message('images.macroSteps', { steps: over.facts.does, max: over.facts.max }))
  return ops
}

/** The operations of a macro, or undefined for code that no device can play. */
export function playableOperations(code: Uint8Array): MacroOp[] | undefined {
  try {
    return readMacro(code)
  } catch (error) {
    if (error instanceof ImageError) return undefined
    throw error
  }
}

function writeOp(writer: ByteWriter, op: MacroOp): void {
  switch (op.kind) {
    case 'key':
      return writeKey(writer, op.usage)
    case 'button':
      return writer.bytes([BUTTON, op.button])
    case 'consumer':
      writer.bytes([MORE, EXTENDED.consumer.code])
      return writer.u16(op.usage)
    case 'wheel':
      if (op.wheel !== 0 || op.pan === 0) writer.bytes([WHEEL, op.wheel & 0xff])
      if (op.pan !== 0) writer.bytes([MORE, EXTENDED.pan.code, op.pan & 0xff])
      return
    case 'move':
      return writeMove(writer, op.x, op.y)
    case 'wait':
      return writeWait(writer, op.ms)
    case 'random-wait':
      writer.bytes([MORE, EXTENDED.randomWait.code])
      writer.varint(op.fromMs)
      return writer.varint(op.toMs - op.fromMs)
    case 'strokes':
      return writeText(writer, op.strokes)
    case 'signal':
      return writer.bytes([MORE, EXTENDED.signal.code, op.colour.red, op.colour.green, op.colour.blue])
    case 'step':
      return writer.bytes([
        MORE,
        EXTENDED.step.code,
        op.to === 'next' ? 0 : op.to === 'previous' ? 0xff : op.to,
      ])
    case 'layer':
      return writer.bytes([MORE, EXTENDED.layer.code, op.layer])
    case 'repeat':
      writer.u8(REPEAT)
      writer.varint(op.times)
      for (const inner of op.body) writeOp(writer, inner)
      return writer.u8(REPEAT_END)
    case 'unknown':
      writer.bytes([MORE, op.code])
      writer.varint(op.payload.length)
      return writer.bytes(op.payload)
  }
}

function writeKey(writer: ByteWriter, usage: number): void {
  if (usage >= FIRST_KEY && usage <= LAST_KEY) writer.u8(usage)
  else if (usage >= FIRST_MODIFIER && usage < FIRST_MODIFIER + 8)
    writer.u8(MODIFIER_CODE + usage - FIRST_MODIFIER)
  else writer.bytes([MORE, EXTENDED.farKey.code, usage])
}

function writeWait(writer: ByteWriter, ms: number): void {
  if (ms < 1) return
  if (ms > MAX_WAIT_MS) {
    writeWait(writer, MAX_WAIT_MS)
    return writeWait(writer, ms - MAX_WAIT_MS)
  }
  if (ms <= MAX_SHORT_MS) return writer.u8(SHORT_WAIT + ms - 1)
  if (ms <= MAX_LONG_MS) {
    const rest = ms - MAX_SHORT_MS - 1
    return writer.bytes([LONG_WAIT | (rest >> 8), rest & 0xff])
  }
  writer.bytes([MORE, EXTENDED.wait.code])
  writer.varint(ms)
}

function writeMove(writer: ByteWriter, x: number, y: number): void {
  const near = (counts: number) => counts >= -128 && counts < 128
  if (near(x) && near(y)) return writer.bytes([MOVE, x & 0xff, y & 0xff])
  writer.bytes([MORE, EXTENDED.farMove.code])
  writer.u16(x & 0xffff)
  writer.u16(y & 0xffff)
}

function writeText(writer: ByteWriter, strokes: Stroke[]): void {
  const bytes = writeStrokes(strokes)
  writer.bytes([MORE, EXTENDED.strokes.code])
  writer.varint(bytes.length)
  writer.bytes(bytes)
}

function readOps(reader: ByteReader, depth: number): MacroOp[] {
  const ops: MacroOp[] = []
  while (reader.left > 0) {
    const code = reader.u8()
    if (code === REPEAT_END && depth > 0) return ops
    const op = readOp(code, reader, depth)
    ops.push(op)
  }
  if (depth > 0) throw new ImageError(message('images.openRepeat'))
  return ops
}

function readOp(code: number, reader: ByteReader, depth: number): MacroOp {
  if (code >= LONG_WAIT) return { kind: 'wait', ms: MAX_SHORT_MS + 1 + (((code & 0x0f) << 8) | reader.u8()) }
  if (code >= SHORT_WAIT) return { kind: 'wait', ms: code - SHORT_WAIT + 1 }
  if (code >= FIRST_KEY && code <= LAST_KEY) return { kind: 'key', usage: code }
  if (code >= MODIFIER_CODE && code < MODIFIER_CODE + 8)
    return { kind: 'key', usage: FIRST_MODIFIER + code - MODIFIER_CODE }
  if (code === BUTTON) return { kind: 'button', button: within('images.macroButton', reader.u8(), 1, 8) }
  if (code === WHEEL) return { kind: 'wheel', wheel: signed8(reader.u8()), pan: 0 }
  if (code === MOVE) return { kind: 'move', x: signed8(reader.u8()), y: signed8(reader.u8()) }
  if (code === REPEAT) return readRepeat(reader, depth)
  if (code === MORE) return readExtended(reader)
  throw new ImageError(message('images.unknownCode', { code }))
}

function readRepeat(reader: ByteReader, depth: number): MacroOp {
  if (depth >= MAX_DEPTH) throw new ImageError(message('images.repeatDepth', { max: MAX_DEPTH }))
  const times = reader.varint()
  if (times < 1 || times > MAX_REPEATS)
    throw new ImageError(message('images.repeatTimes', { times, max: MAX_REPEATS }))
  const body = readOps(reader, depth + 1)
  if (body.length === 0) throw new ImageError(message('images.emptyRepeat'))
  return { kind: 'repeat', times, body }
}

function readExtended(reader: ByteReader): MacroOp {
  const code = reader.u8()
  switch (code) {
    case EXTENDED.wait.code:
      return { kind: 'wait', ms: reader.varint() }
    case EXTENDED.randomWait.code: {
      const fromMs = reader.varint()
      return { kind: 'random-wait', fromMs, toMs: fromMs + reader.varint() }
    }
    case EXTENDED.strokes.code:
      return { kind: 'strokes', strokes: readStrokes(reader.sub(reader.varint())) }
    case EXTENDED.signal.code:
      return { kind: 'signal', colour: { red: reader.u8(), green: reader.u8(), blue: reader.u8() } }
    case EXTENDED.step.code: {
      const to = reader.u8()
      return {
        kind: 'step',
        to: to === 0 ? 'next' : to === 0xff ? 'previous' : within('images.macroStep', to, 1, 250),
      }
    }
    case EXTENDED.layer.code:
      return { kind: 'layer', layer: within('images.macroLayer', reader.u8(), 1, 7) }
    case EXTENDED.consumer.code:
      return { kind: 'consumer', usage: reader.u16() }
    case EXTENDED.farKey.code:
      return { kind: 'key', usage: reader.u8() }
    case EXTENDED.pan.code:
      return { kind: 'wheel', wheel: 0, pan: signed8(reader.u8()) }
    case EXTENDED.farMove.code:
      return { kind: 'move', x: signed16(reader.u16()), y: signed16(reader.u16()) }
    default:
      return { kind: 'unknown', code, payload: [...reader.sub(reader.varint()).rest()] }
  }
}

function within(
  problem: 'images.macroButton' | 'images.macroStep' | 'images.macroLayer',
  value: number,
  min: number,
  max: number,
): number {
  if (value < min || value > max) throw new ImageError(message(problem, { value, min, max }))
  return value
}

const signed8 = (byte: number): number => (byte > 0x7f ? byte - 0x100 : byte)
const signed16 = (value: number): number => (value > 0x7fff ? value - 0x10000 : value)
