import { ImageError, type ByteReader } from '../base/bytes'
import { readColour } from '../base/parameter-bytes'
import type { LightEffect } from '../effects/registry'
import { defaultOf } from '../base/parameters'
import { breathing } from '../effects/breathing'
import { cycle } from '../effects/cycle'
import { solid } from '../effects/solid'
import type { LightEntry } from './light-stack'
import { readTagged } from '../actions/tagged'
import { message } from '../message/message'

/**
 * Section 5, the light of images up to 1.1: for each zone its number, its number of effects, and these, from top to
 * bottom. Only the first known effect was shown; data that no version ever wrote is dropped.
 *
 * @throws ImageError if it is incomplete or has a zone twice
 */
export function readZoneLight(payload: ByteReader): LightEntry[] {
  const zones = new Set<number>()
  const entries: LightEntry[] = []
  while (payload.left > 0) {
    const zone = payload.u8()
    if (zones.has(zone))
      throw new ImageError(message('images.listedTwice', { part: message('images.zone', { zone }) }))
    zones.add(zone)
    const stack = Array.from({ length: payload.u8() }, () => readTagged(payload))
    const effect = stack.map(oldEffect).find((each) => each !== undefined) ?? { kind: 'off' as const }
    entries.push({
      effect,
      where: { kind: 'zones', zones: [zone] },
      when: { kind: 'always' },
      opacity: 100,
      adds: false,
    })
  }
  return entries
}

const PERIOD_UNIT_MS = 50

/** Brightness in percent, then a period and a colour if the effect has them. */
function oldEffect({ code, payload }: { code: number; payload: ByteReader }): LightEffect | undefined {
  try {
    if (code === 0) return { kind: 'off' }
    if (code > 4) return undefined
    const brightness = within(payload.u8(), 1, 100)
    if (code === 4) return { kind: 'step', brightness }
    if (code === 1)
      return { ...defaultOf(solid.parameters), kind: 'solid', brightness, colour: readColour(payload) }
    const periodMs = within(payload.u8() * PERIOD_UNIT_MS, 500, 10_000)
    if (code === 3) return { ...defaultOf(cycle.parameters), kind: 'cycle', brightness, periodMs }
    const colour = readColour(payload)
    return { ...defaultOf(breathing.parameters), kind: 'breathing', brightness, periodMs, colour }
  } catch (error) {
    if (error instanceof ImageError) return undefined
    throw error
  }
}

function within(value: number, min: number, max: number): number {
  if (value < min || value > max) throw new ImageError(message('images.outOfBounds', { value, min, max }))
  return value
}
