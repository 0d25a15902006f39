import type { ByteReader } from './bytes'
import { ByteWriter } from './bytes'

/** What an input does, in the device's own terms: usages and numbers, no names. */
export type ImageAction =
  | { kind: 'off' }
  | { kind: 'key'; usage: number; modifiers: number }
  | { kind: 'button'; button: number; clicks: number }
  | { kind: 'scroll'; wheel: number; pan: number }
  | { kind: 'consumer'; usage: number }
  | { kind: 'step'; to: Target }
  | { kind: 'slot'; to: Target }
  | { kind: 'unknown'; code: number; payload: number[] }

/** A place in a row of steps or slots: the next, the one before, or a chosen one counted from 1. */
export type Target = 'next' | 'previous' | number

type Known = Exclude<ImageAction, { kind: 'unknown' }>

/** How one kind of action stands in an image: its code and its payload. */
interface ActionCodec<A> {
  code: number
  write(action: A): number[]
  read(payload: ByteReader): A
}

const target = {
  write: (to: Target): number => (to === 'next' ? 0 : to === 'previous' ? 0xff : to),
  read: (value: number): Target => (value === 0 ? 'next' : value === 0xff ? 'previous' : value),
}

const codecs: { [K in Known['kind']]: ActionCodec<Extract<Known, { kind: K }>> } = {
  off: { code: 0, write: () => [], read: () => ({ kind: 'off' }) },
  key: {
    code: 1,
    write: ({ usage, modifiers }) => (modifiers === 0 ? [usage] : [usage, modifiers]),
    read: (payload) => ({ kind: 'key', usage: payload.u8(), modifiers: payload.u8Or(0) }),
  },
  button: {
    code: 2,
    write: ({ button, clicks }) => (clicks === 1 ? [button] : [button, clicks]),
    read: (payload) => ({ kind: 'button', button: payload.u8(), clicks: payload.u8Or(1) }),
  },
  scroll: {
    code: 3,
    write: ({ wheel, pan }) => (pan === 0 ? [wheel & 0xff] : [wheel & 0xff, pan & 0xff]),
    read: (payload) => ({ kind: 'scroll', wheel: signed(payload.u8()), pan: signed(payload.u8Or(0)) }),
  },
  consumer: {
    code: 4,
    write: ({ usage }) => (usage < 0x100 ? [usage] : [usage & 0xff, usage >> 8]),
    read: (payload) => ({ kind: 'consumer', usage: payload.u8() | (payload.u8Or(0) << 8) }),
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
}

const signed = (byte: number): number => (byte > 127 ? byte - 256 : byte)

/** Payloads of this many bytes and more say their length in a varint after the head. */
export const LONG_PAYLOAD = 7

/**
 * Head byte (code in the high five bits, payload length in the low three; 7 says that a varint follows), then
 * the payload: the record every action and every light effect is written as.
 */
export function writeTagged(writer: ByteWriter, code: number, payload: readonly number[]): void {
  writer.u8((code << 3) | Math.min(payload.length, LONG_PAYLOAD))
  if (payload.length >= LONG_PAYLOAD) writer.varint(payload.length)
  writer.bytes(payload)
}

/** The reverse of {@link writeTagged}. @throws ImageError when the record is cut short */
export function readTagged(reader: ByteReader): { code: number; payload: ByteReader } {
  const head = reader.u8()
  const short = head & LONG_PAYLOAD
  return { code: head >> 3, payload: reader.sub(short === LONG_PAYLOAD ? reader.varint() : short) }
}

/** Appends one action record. */
export function writeAction(writer: ByteWriter, action: ImageAction): void {
  if (action.kind === 'unknown') return writeTagged(writer, action.code, action.payload)
  const [code, payload] = encode(action)
  writeTagged(writer, code, payload)
}

/**
 * Reads one action record. A code this version does not know comes back as `unknown`, whole, so that a reader
 * can keep it; payload bytes past those an action needs are passed over.
 *
 * @throws ImageError when the record is cut short
 */
export function readAction(reader: ByteReader): ImageAction {
  const { code, payload } = readTagged(reader)
  const codec = Object.values(codecs).find((candidate) => candidate.code === code)
  return codec ? codec.read(payload) : { kind: 'unknown', code, payload: [...payload.rest()] }
}

function encode(action: Known): [code: number, payload: number[]] {
  const of = <K extends Known['kind']>(kind: K, value: Extract<Known, { kind: K }>): [number, number[]] => [
    codecs[kind].code,
    codecs[kind].write(value),
  ]
  switch (action.kind) {
    case 'off':
      return of('off', action)
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
  }
}

/** Bytes one binding of this action takes in an image, its input number included. */
export function bindingBytes(action: ImageAction): number {
  const writer = new ByteWriter()
  writeAction(writer, action)
  return 1 + writer.length
}
