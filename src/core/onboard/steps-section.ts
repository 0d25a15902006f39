import type { Rgb } from '../base/colour'
import { ByteWriter, ImageError, type ByteReader } from '../base/bytes'
import { readColour, writeColour } from '../base/parameter-bytes'
import { message } from '../message/message'

export interface ImageStep {
  /** Counts per inch; only for X if {@link ImageStep.dpiY} exists. */
  dpi: number
  /** For Y, if it differs. */
  dpiY?: number
  colour: Rgb
}

/** Bytes of one step, without and with a separate Y value; a reader skips unknown bytes. */
const ENTRY_BYTES = 5
const SPLIT_ENTRY_BYTES = 7

/** Maximum number of steps in an image. */
export const MAX_STEPS = 16

/** Section 3, "Steps". Omitted if there are none. */
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

/** @throws ImageError for too short or too many entries, a step with 0 DPI, or a missing default */
export function readSteps(payload: ByteReader): { steps: ImageStep[]; defaultStep: number } {
  const defaultStep = payload.u8()
  const entryBytes = payload.u8()
  if (entryBytes < ENTRY_BYTES)
    throw new ImageError(message('images.stepBytes', { found: entryBytes, expected: ENTRY_BYTES }))
  const steps: ImageStep[] = []
  while (payload.left > 0) {
    const entry = payload.sub(entryBytes)
    const step = { dpi: entry.u16(), colour: readColour(entry) }
    const dpiY = entryBytes >= SPLIT_ENTRY_BYTES ? entry.u16() : 0
    steps.push(dpiY === 0 ? step : { ...step, dpiY })
  }
  if (steps.length > MAX_STEPS)
    throw new ImageError(message('images.manySteps', { steps: steps.length, max: MAX_STEPS }))
  if (steps.some(({ dpi }) => dpi === 0)) throw new ImageError(message('images.zeroDpi'))
  if (defaultStep >= steps.length)
    throw new ImageError(message('images.defaultStep', { step: defaultStep + 1, steps: steps.length }))
  return { steps, defaultStep }
}
