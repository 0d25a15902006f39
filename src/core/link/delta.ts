import { ByteWriter, type ByteReader } from '../base/bytes'

/** Instructions for building the new image: bytes sent, or bytes copied from the image in the slot. */
export type DeltaOperation =
  | { kind: 'literal'; at: number; bytes: Uint8Array }
  | { kind: 'copy'; at: number; from: number; length: number }

const CODE = { end: 0, literal: 1, copy: 2 } as const
export const LITERAL_HEAD = 4
export const COPY_BYTES = 7
/** Shortest run that is copied; shorter ones are cheaper to send. */
const SHORTEST_COPY = COPY_BYTES + 1

/**
 * Finds operations that turn `base` into `target` with few bytes: runs found in the base are copied, the rest is sent.
 * Runs are looked up by their first four bytes.
 */
export function deltaBetween(base: Uint8Array, target: Uint8Array): DeltaOperation[] {
  const starts = indexOfRuns(base)
  const operations: DeltaOperation[] = []
  let literalFrom = 0
  const flush = (to: number) => {
    if (to > literalFrom)
      operations.push({ kind: 'literal', at: literalFrom, bytes: target.slice(literalFrom, to) })
  }
  for (let at = 0; at < target.length;) {
    const run = longestRun(base, target, at, starts)
    if (run.length < SHORTEST_COPY) {
      at++
      continue
    }
    flush(at)
    operations.push({ kind: 'copy', at, from: run.from, length: run.length })
    at += run.length
    literalFrom = at
  }
  flush(target.length)
  return operations
}

/** Writes one operation. */
export function encodeOperation(writer: ByteWriter, operation: DeltaOperation): void {
  writer.u8(CODE[operation.kind])
  writer.u16(operation.at)
  if (operation.kind === 'literal') {
    writer.u8(operation.bytes.length)
    writer.bytes(operation.bytes)
  } else {
    writer.u16(operation.from)
    writer.u16(operation.length)
  }
}

/**
 * Reads operations up to an end code or the end of the payload. They are in the order of their positions, each starting
 * where the previous one ended, so that a device can write their output to flash at once.
 *
 * @param base source of copies
 * @param target length of the new image, and how much of it exists already
 * @returns the bytes they add, or undefined for an invalid operation, or one out of order or out of range
 */
export function readOperations(
  payload: ByteReader,
  base: Uint8Array,
  { length, placed }: { length: number; placed: number },
): Uint8Array | undefined {
  const parts: Uint8Array[] = []
  let at = placed
  while (payload.left > 0) {
    const code = payload.u8()
    if (code === CODE.end) break
    const part = readOperation(code, payload, base, at)
    if (!part || at + part.length > length) return undefined
    parts.push(part)
    at += part.length
  }
  const bytes = new Uint8Array(at - placed)
  parts.reduce((from, part) => {
    bytes.set(part, from)
    return from + part.length
  }, 0)
  return bytes
}

function readOperation(
  code: number,
  payload: ByteReader,
  base: Uint8Array,
  due: number,
): Uint8Array | undefined {
  if (payload.left < 3 || payload.u16() !== due) return undefined
  if (code === CODE.literal) {
    const length = payload.u8()
    return payload.left < length ? undefined : payload.sub(length).rest()
  }
  if (code !== CODE.copy || payload.left < 4) return undefined
  const from = payload.u16()
  const length = payload.u16()
  return from + length > base.length ? undefined : base.subarray(from, from + length)
}

/** Splits operations into packets of at most `room(packetIndex)` bytes; a literal can be split, a copy cannot. */
export function packOperations(
  operations: readonly DeltaOperation[],
  room: (packet: number) => number,
): Uint8Array[] {
  const packets: Uint8Array[] = []
  let writer = new ByteWriter()
  const left = () => room(packets.length) - writer.length
  const close = () => {
    packets.push(writer.toBytes())
    writer = new ByteWriter()
  }
  for (const operation of operations) {
    if (operation.kind === 'copy') {
      if (left() < COPY_BYTES) close()
      encodeOperation(writer, operation)
      continue
    }
    for (let done = 0; done < operation.bytes.length;) {
      if (left() <= LITERAL_HEAD) close()
      const bytes = operation.bytes.subarray(done, done + left() - LITERAL_HEAD)
      encodeOperation(writer, { kind: 'literal', at: operation.at + done, bytes })
      done += bytes.length
    }
  }
  if (writer.length > 0 || packets.length === 0) close()
  return packets
}

const KEY_BYTES = 4
const keyAt = (bytes: Uint8Array, at: number): number =>
  (bytes[at] ?? 0) | ((bytes[at + 1] ?? 0) << 8) | ((bytes[at + 2] ?? 0) << 16) | ((bytes[at + 3] ?? 0) << 24)

function indexOfRuns(base: Uint8Array): Map<number, number[]> {
  const starts = new Map<number, number[]>()
  for (let at = 0; at + KEY_BYTES <= base.length; at++) {
    const key = keyAt(base, at)
    const list = starts.get(key)
    if (!list) starts.set(key, [at])
    // A run of equal bytes would list every position; a few are enough.
    else if (list.length < 32) list.push(at)
  }
  return starts
}

function longestRun(base: Uint8Array, target: Uint8Array, at: number, starts: Map<number, number[]>) {
  let best = { from: 0, length: 0 }
  if (at + KEY_BYTES > target.length) return best
  // The same position first: most of an image stays where it was.
  for (const from of [at, ...(starts.get(keyAt(target, at)) ?? [])]) {
    let length = 0
    while (
      from + length < base.length &&
      at + length < target.length &&
      base[from + length] === target[at + length]
    ) {
      length++
    }
    if (length > best.length) best = { from, length }
  }
  return best
}
