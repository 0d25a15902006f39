import type { Rgb } from '../base/colour'
import { ByteWriter, ImageError, type ByteReader } from '../base/bytes'
import { readColour, writeColour } from '../base/parameter-bytes'

export interface ImageStep {
  /** Counts per inch; across only, where {@link ImageStep.dpiY} is there. */
  dpi: number
  /** Along, where it differs. */
  dpiY?: number
  colour: Rgb
}

/** Bytes one step takes, and with an axis of its own; a reader passes over what it does not know. */
const ENTRY_BYTES = 5
const SPLIT_ENTRY_BYTES = 7

/** Steps an image may have. */
export const MOST_STEPS = 16

/** Section 3, "Steps". Nothing where there are none. */
export function writeSteps(steps: readonly ImageStep[], defaultStep: number): Uint8Array {
  const writer = new ByteWriter()
  if (steps.length === 0) return writer.toBytes()
  const split = steps.some(({ dpiY }) => dpiY !== undefined)
  writer.u8(defaultStep)
  writer.u8(split ? SPLIT_ENTRY_BYTES : ENTRY_BYTES)
  for (const { dpi, dpiY, colour } of steps) {
    writer.u16(dpi)
    writeColour(writer, colour)
    if (split) writer.u16(dpiY ?? 0)
  }
  return writer.toBytes()
}

/** @throws ImageError for entries that are too short or too many, a step of no counts, or a default that is not there */
export function readSteps(payload: ByteReader): { steps: ImageStep[]; defaultStep: number } {
  const defaultStep = payload.u8()
  const entryBytes = payload.u8()
  if (entryBytes < ENTRY_BYTES)
    throw new ImageError(`a step takes ${entryBytes} bytes, ${ENTRY_BYTES} are due`)
  const steps: ImageStep[] = []
  while (payload.left > 0) {
    const entry = payload.sub(entryBytes)
    const step = { dpi: entry.u16(), colour: readColour(entry) }
    const dpiY = entryBytes >= SPLIT_ENTRY_BYTES ? entry.u16() : 0
    steps.push(dpiY === 0 ? step : { ...step, dpiY })
  }
  if (steps.length > MOST_STEPS) throw new ImageError(`${steps.length} steps, ${MOST_STEPS} at most`)
  if (steps.some(({ dpi }) => dpi === 0)) throw new ImageError('a step of no counts')
  if (defaultStep >= steps.length)
    throw new ImageError(`step ${defaultStep + 1} is the default, ${steps.length} are there`)
  return { steps, defaultStep }
}
