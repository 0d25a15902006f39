import type { ByteReader } from '../base/bytes'
import { ByteWriter, ImageError } from '../base/bytes'
import {
  ACTION_BOUNDS,
  type ImageAction,
  type KnownAction,
  type LightChange,
  type MacroPlay,
  type StrokesPurpose,
  type Target,
} from './action-types'
import { readStrokes, writeStrokes } from './strokes'
import { readTagged, writeTagged } from './tagged'

/** Bits of the byte that says how a macro is played. */
const FLAGS_USED = 0x1f
const PLAYS: readonly MacroPlay[] = ['once', 'times', 'held', 'toggle']
const AGAIN = ['ignore', 'restart', 'stop'] as const
const LAYER_WAYS = ['hold', 'switch'] as const
const DECISIONS = ['time', 'press'] as const
const LIGHT_CHANGES: readonly LightChange[] = ['next', 'brighter', 'dimmer', 'off', 'previous']
const PURPOSES: readonly StrokesPurpose[] = ['text', 'program', 'file', 'folder', 'address']
type Known = KnownAction

/** Tap and hold thresholds stand in units of this many ms. */
export const THRESHOLD_UNIT_MS = 10

/** How one kind of action stands in an image: its code and its payload. */
interface ActionCodec<A> {
  code: number
  write(action: A): number[]
  /** @throws ImageError for a payload that is cut short or says what no device can do */
  read(payload: ByteReader): A
}

const target = {
  write: (to: Target): number => (to === 'next' ? 0 : to === 'previous' ? 0xff : to),
  read: (value: number): Target =>
    value === 0 ? 'next' : value === 0xff ? 'previous' : bounded('chosen', value),
}

/** @throws ImageError for a value out of the bounds of its kind */
function bounded(kind: keyof typeof ACTION_BOUNDS, value: number): number {
  const { least, most } = ACTION_BOUNDS[kind]
  if (value < least || value > most) throw new ImageError(`${value} is not from ${least} to ${most}`)
  return value
}

/** The value of a number in a list. @throws ImageError for a number that stands for none */
function listed<T>(list: readonly T[], number: number): T {
  const found = list[number]
  if (found === undefined) throw new ImageError(`${number} stands for nothing`)
  return found
}

const codecs: { [K in Known['kind']]: ActionCodec<Extract<Known, { kind: K }>> } = {
  off: { code: 0, write: () => [], read: () => ({ kind: 'off' }) },
  pass: { code: 14, write: () => [], read: () => ({ kind: 'pass' }) },
  key: {
    code: 1,
    write: ({ usage, modifiers, shortcut }) =>
      shortcut !== undefined ? [usage, modifiers, shortcut] : modifiers === 0 ? [usage] : [usage, modifiers],
    read: (payload) => {
      const usage = bounded('usage', payload.u8())
      const [modifiers, shortcut] = [payload.u8Or(0), payload.u8Or(0)]
      return { kind: 'key', usage, modifiers, ...(shortcut > 0 && { shortcut }) }
    },
  },
  button: {
    code: 2,
    write: ({ button, clicks }) => (clicks === 1 ? [button] : [button, clicks]),
    read: (payload) => ({
      kind: 'button',
      button: bounded('button', payload.u8()),
      clicks: bounded('clicks', payload.u8Or(1)),
    }),
  },
  scroll: {
    code: 3,
    write: ({ wheel, pan }) => (pan === 0 ? [wheel & 0xff] : [wheel & 0xff, pan & 0xff]),
    read: (payload) => {
      const wheel = bounded('detents', signed(payload.u8()))
      const pan = bounded('detents', signed(payload.u8Or(0)))
      if (wheel === 0 && pan === 0) throw new ImageError('a scroll of nothing')
      return { kind: 'scroll', wheel, pan }
    },
  },
  consumer: {
    code: 4,
    write: ({ usage }) => (usage < 0x100 ? [usage] : [usage & 0xff, usage >> 8]),
    read: (payload) => ({
      kind: 'consumer',
      usage: bounded('control', payload.u8() | (payload.u8Or(0) << 8)),
    }),
  },
  step: {
    code: 5,
    write: ({ to }) => [target.write(to)],
    read: (payload) => ({ kind: 'step', to: target.read(payload.u8()) }),
  },
  slot: {
    code: 6,
    write: ({ to }) => [target.write(to)],
    read: (payload) => ({ kind: 'slot', to: target.read(payload.u8()) }),
  },
  layer: {
    code: 7,
    write: ({ layer, how }) => (how === 'hold' ? [layer] : [layer, 1]),
    read: (payload) => ({
      kind: 'layer',
      layer: bounded('layer', payload.u8()),
      how: listed(LAYER_WAYS, payload.u8Or(0)),
    }),
  },
  'tap-hold': {
    code: 9,
    write: ({ thresholdMs, decide, tap, hold }) => {
      const writer = new ByteWriter()
      writer.bytes([thresholdMs / THRESHOLD_UNIT_MS, decide === 'time' ? 0 : 1])
      writeAction(writer, tap)
      writeAction(writer, hold)
      return [...writer.toBytes()]
    },
    read: (payload) => ({
      kind: 'tap-hold',
      thresholdMs: bounded('thresholdMs', payload.u8() * THRESHOLD_UNIT_MS),
      decide: listed(DECISIONS, payload.u8()),
      tap: readSingle(payload),
      hold: readSingle(payload),
    }),
  },
  macro: { code: 8, write: writePlay, read: readPlay },
  'macro-parts': {
    code: 15,
    write: ({ press, held, release }) => [press, held, release],
    read: (payload) => {
      const [press, held, release] = [payload.u8(), payload.u8Or(0), payload.u8Or(0)]
      bounded('macro', Math.max(press, held, release))
      return { kind: 'macro-parts', press, held, release }
    },
  },
  'stop-macros': { code: 16, write: () => [], read: () => ({ kind: 'stop-macros' }) },
  light: {
    code: 10,
    write: ({ change }) => [LIGHT_CHANGES.indexOf(change)],
    read: (payload) => ({ kind: 'light', change: listed(LIGHT_CHANGES, payload.u8()) }),
  },
  strokes: {
    code: 11,
    write: ({ purpose, strokes }) => [PURPOSES.indexOf(purpose), ...writeStrokes(strokes)],
    read: (payload) => ({
      kind: 'strokes',
      purpose: listed(PURPOSES, payload.u8()),
      strokes: readStrokes(payload),
    }),
  },
  countdown: {
    code: 12,
    write: ({ seconds, colour: { red, green, blue } }) => {
      const writer = new ByteWriter()
      writer.bytes([red, green, blue])
      writer.varint(seconds)
      return [...writer.toBytes()]
    },
    read: (payload) => ({
      kind: 'countdown',
      colour: { red: payload.u8(), green: payload.u8(), blue: payload.u8() },
      seconds: bounded('seconds', payload.varint()),
    }),
  },
  'hold-step': {
    code: 13,
    write: (action) => ('step' in action ? [action.step] : [0, action.dpi & 0xff, action.dpi >> 8]),
    read: (payload) => {
      const step = payload.u8()
      if (step > 0) return { kind: 'hold-step', step: bounded('holdStep', step) }
      const dpi = payload.u16()
      if (dpi === 0) throw new ImageError('a step of no counts')
      return { kind: 'hold-step', dpi }
    },
  },
}

/** How a macro is played: two bits for that, two for the same input again, one for other inputs. */
function writePlay({
  macro,
  play,
  times,
  gapMs,
  again,
  others,
}: Extract<Known, { kind: 'macro' }>): number[] {
  const writer = new ByteWriter()
  const flags = PLAYS.indexOf(play) | (AGAIN.indexOf(again) << 2) | (others === 'stop' ? 0x10 : 0)
  writer.bytes([macro, flags])
  if (play === 'times') writer.varint(times ?? 1)
  if (gapMs > 0) writer.varint(gapMs)
  return [...writer.toBytes()]
}

function readPlay(payload: ByteReader): Extract<Known, { kind: 'macro' }> {
  const [macro, flags] = [bounded('macro', payload.u8()), payload.u8Or(0)]
  const play = PLAYS[flags & 3]
  const again = listed(AGAIN, (flags >> 2) & 3)
  if (flags & ~FLAGS_USED) throw new ImageError('a way to play that is kept free')
  const times = play === 'times' ? bounded('times', payload.varint()) : undefined
  return {
    kind: 'macro',
    macro,
    play,
    ...(times !== undefined && { times }),
    gapMs: payload.left > 0 ? bounded('gapMs', payload.varint()) : 0,
    again,
    others: flags & 0x10 ? 'stop' : 'go-on',
  }
}

/** Tap and hold do not nest: a device would have to decide twice about one press. */
function readSingle(payload: ByteReader): ImageAction {
  const action = readAction(payload)
  if (action.kind === 'tap-hold' || (action.kind === 'unknown' && action.code === codecs['tap-hold'].code))
    throw new ImageError('a tap and hold action within another')
  return action
}

const signed = (byte: number): number => (byte > 127 ? byte - 256 : byte)

/** Appends one action record. */
export function writeAction(writer: ByteWriter, action: ImageAction): void {
  const { code, payload } = actionRecord(action)
  writeTagged(writer, code, payload)
}

/** The code of an action's record, and its payload. */
export function actionRecord(action: ImageAction): { code: number; payload: number[] } {
  if (action.kind === 'unknown') return { code: action.code, payload: action.payload }
  const [code, payload] = encode(action)
  return { code, payload }
}

/**
 * Reads one action record. What this version does not know, and what no device can do, comes back as `unknown`, whole,
 * so that a reader can keep it.
 *
 * @throws ImageError when the record itself is cut short
 */
export function readAction(reader: ByteReader): ImageAction {
  const { code, payload } = readTagged(reader)
  const bytes = [...payload.all()]
  const does = knownAction(code, payload)
  if (does && payload.left === 0) return does
  return { kind: 'unknown', code, payload: bytes, ...(does && { does }) }
}

function knownAction(code: number, payload: ByteReader): Known | undefined {
  try {
    return Object.values(codecs)
      .find((candidate) => candidate.code === code)
      ?.read(payload)
  } catch (error) {
    if (error instanceof ImageError) return undefined
    throw error
  }
}

/** What a device does for an action; nothing for one it does not know. */
export const doneFor = (action: ImageAction): KnownAction =>
  action.kind === 'unknown' ? (action.does ?? { kind: 'off' }) : action

function encode(action: Known): [code: number, payload: number[]] {
  const of = <K extends Known['kind']>(kind: K, value: Extract<Known, { kind: K }>): [number, number[]] => [
    codecs[kind].code,
    codecs[kind].write(value),
  ]
  switch (action.kind) {
    case 'off':
      return of('off', action)
    case 'pass':
      return of('pass', action)
    case 'key':
      return of('key', action)
    case 'button':
      return of('button', action)
    case 'scroll':
      return of('scroll', action)
    case 'consumer':
      return of('consumer', action)
    case 'step':
      return of('step', action)
    case 'slot':
      return of('slot', action)
    case 'layer':
      return of('layer', action)
    case 'tap-hold':
      return of('tap-hold', action)
    case 'light':
      return of('light', action)
    case 'strokes':
      return of('strokes', action)
    case 'countdown':
      return of('countdown', action)
    case 'hold-step':
      return of('hold-step', action)
    case 'macro':
      return of('macro', action)
    case 'macro-parts':
      return of('macro-parts', action)
    case 'stop-macros':
      return of('stop-macros', action)
  }
}

/** Bytes one binding of this action takes in an image, its input number included. */
export function bindingBytes(action: ImageAction): number {
  const writer = new ByteWriter()
  writeAction(writer, action)
  return 1 + writer.length
}
