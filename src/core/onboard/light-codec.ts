import type { LightEffect } from './light-effect'
import type { Rgb } from '../base/colour'
import { readTagged, writeTagged } from './tagged'
import type { ByteReader } from '../base/bytes'
import { ByteWriter, ImageError } from '../base/bytes'

/** An effect of a later version, or one with bytes this version does not know: kept byte for byte. */
export interface UnknownEffect {
  kind: 'unknown'
  code: number
  payload: number[]
  /** The effect of this version it begins with; a device shows that. */
  shows?: LightEffect
}

export type StackEffect = LightEffect | UnknownEffect

/** Effects stacked over each other in one zone, top first. */
export interface ZoneStack {
  zone: number
  stack: StackEffect[]
}

const PERIOD_UNIT_MS = 50
/** Bounds of what effects say; a record beyond them counts as not known. */
export const EFFECT_BOUNDS = { brightness: { least: 1, most: 100 }, periodMs: { least: 500, most: 10_000 } }

const EFFECT_CODE = { off: 0, solid: 1, breathing: 2, cycle: 3, step: 4 } as const

/** Section 5, "Light": for each zone its number, how many effects lie in its stack, and these, top first. */
export function writeLight(light: readonly ZoneStack[]): Uint8Array {
  const writer = new ByteWriter()
  for (const { zone, stack } of light) {
    writer.u8(zone)
    writer.bytes(writeStack(stack))
  }
  return writer.toBytes()
}

/** Reads the section to its end. @throws ImageError when it is cut short or has a zone twice */
export function readLight(payload: ByteReader): ZoneStack[] {
  const zones: ZoneStack[] = []
  while (payload.left > 0) {
    const zone = payload.u8()
    if (zones.some((each) => each.zone === zone)) throw new ImageError(`zone ${zone}: there twice`)
    zones.push({ zone, stack: readStack(payload) })
  }
  return zones
}

/** One zone's stack: how many effects, and each. */
export function writeStack(stack: readonly StackEffect[]): Uint8Array {
  const writer = new ByteWriter()
  writer.u8(stack.length)
  for (const effect of stack) {
    if (effect.kind === 'unknown') writeTagged(writer, effect.code, effect.payload)
    else writeTagged(writer, EFFECT_CODE[effect.kind], effectPayload(effect))
  }
  return writer.toBytes()
}

/** The reverse of {@link writeStack}. @throws ImageError when it is cut short */
export const readStack = (reader: ByteReader): StackEffect[] =>
  Array.from({ length: reader.u8() }, () => readEffect(reader))

/** What a device of this version shows of a stack. */
export const effectsShown = (stack: readonly StackEffect[]): LightEffect[] =>
  stack.flatMap((effect) => (effect.kind === 'unknown' ? (effect.shows ?? []) : effect))

function effectPayload(effect: LightEffect): number[] {
  if (effect.kind === 'off') return []
  const period = 'periodMs' in effect ? [effect.periodMs / PERIOD_UNIT_MS] : []
  const colour = 'colour' in effect ? [effect.colour.red, effect.colour.green, effect.colour.blue] : []
  return [effect.brightness, ...period, ...colour]
}

function readEffect(reader: ByteReader): StackEffect {
  const { code, payload } = readTagged(reader)
  const bytes = [...payload.all()]
  const shows = knownEffect(code, payload)
  if (shows && payload.left === 0) return shows
  return { kind: 'unknown', code, payload: bytes, ...(shows && { shows }) }
}

function knownEffect(code: number, payload: ByteReader): LightEffect | undefined {
  try {
    if (code === EFFECT_CODE.off) return { kind: 'off' }
    if (code !== EFFECT_CODE.step && code !== EFFECT_CODE.solid && !hasPeriod(code)) return undefined
    const brightness = bounded('brightness', payload.u8())
    if (code === EFFECT_CODE.step) return { kind: 'step', brightness }
    if (code === EFFECT_CODE.solid) return { kind: 'solid', brightness, colour: readColour(payload) }
    const periodMs = bounded('periodMs', payload.u8() * PERIOD_UNIT_MS)
    if (code === EFFECT_CODE.cycle) return { kind: 'cycle', brightness, periodMs }
    return { kind: 'breathing', brightness, periodMs, colour: readColour(payload) }
  } catch (error) {
    if (error instanceof ImageError) return undefined
    throw error
  }
}

const hasPeriod = (code: number): boolean => code === EFFECT_CODE.breathing || code === EFFECT_CODE.cycle

function bounded(kind: keyof typeof EFFECT_BOUNDS, value: number): number {
  const { least, most } = EFFECT_BOUNDS[kind]
  if (value < least || value > most) throw new ImageError(`${value} is not from ${least} to ${most}`)
  return value
}

export function writeColour(writer: ByteWriter, { red, green, blue }: Rgb): void {
  writer.bytes([red, green, blue])
}

export const readColour = (reader: ByteReader): Rgb => ({
  red: reader.u8(),
  green: reader.u8(),
  blue: reader.u8(),
})
