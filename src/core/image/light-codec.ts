import type { LightEffect, Rgb } from '../light/effects'
import { readTagged, writeTagged } from './actions'
import { ByteWriter, type ByteReader } from './bytes'

/** Effects stacked over each other in one zone, top first. */
export interface ZoneStack {
  zone: number
  stack: LightEffect[]
}

const PERIOD_UNIT_MS = 50

const EFFECT_CODE = { off: 0, solid: 1, breathing: 2, cycle: 3, step: 4 } as const

/** Section 5, "Light": for each zone its number, how many effects lie in its stack, and these, top first. */
export function writeLight(light: readonly ZoneStack[]): Uint8Array {
  const writer = new ByteWriter()
  for (const { zone, stack } of light) {
    writer.u8(zone)
    writer.u8(stack.length)
    for (const effect of stack) writeTagged(writer, EFFECT_CODE[effect.kind], effectPayload(effect))
  }
  return writer.toBytes()
}

/** Reads the section to its end; effects of a later version are left out of their stacks. @throws ImageError */
export function readLight(payload: ByteReader): ZoneStack[] {
  const zones: ZoneStack[] = []
  while (payload.left > 0) {
    const zone = payload.u8()
    const stack = Array.from({ length: payload.u8() }, () => readEffect(payload))
    zones.push({ zone, stack: stack.filter((effect) => effect !== undefined) })
  }
  return zones
}

function effectPayload(effect: LightEffect): number[] {
  if (effect.kind === 'off') return []
  const period = 'periodMs' in effect ? [effect.periodMs / PERIOD_UNIT_MS] : []
  const colour = 'colour' in effect ? [effect.colour.red, effect.colour.green, effect.colour.blue] : []
  return [effect.brightness, ...period, ...colour]
}

/** An effect, or undefined for a code of a later version: such a layer of the stack is passed over. */
function readEffect(reader: ByteReader): LightEffect | undefined {
  const { code, payload } = readTagged(reader)
  if (code === EFFECT_CODE.off) return { kind: 'off' }
  if (code === EFFECT_CODE.solid)
    return { kind: 'solid', brightness: readBrightness(payload), colour: readColour(payload) }
  if (code === EFFECT_CODE.step) return { kind: 'step', brightness: readBrightness(payload) }
  if (code !== EFFECT_CODE.breathing && code !== EFFECT_CODE.cycle) return undefined
  const brightness = readBrightness(payload)
  const periodMs = Math.max(1, payload.u8()) * PERIOD_UNIT_MS
  if (code === EFFECT_CODE.cycle) return { kind: 'cycle', brightness, periodMs }
  return { kind: 'breathing', brightness, periodMs, colour: readColour(payload) }
}

export function writeColour(writer: ByteWriter, { red, green, blue }: Rgb): void {
  writer.bytes([red, green, blue])
}

export const readColour = (reader: ByteReader): Rgb => ({
  red: reader.u8(),
  green: reader.u8(),
  blue: reader.u8(),
})

const readBrightness = (reader: ByteReader): number => Math.min(100, reader.u8())
