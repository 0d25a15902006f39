import { expect } from 'vitest'
import { itemAt } from '../base/items'
import type { Rgb } from '../base/colour'
import { defaultOf } from '../base/parameters'
import type { LightPlan, LightState, Paint, Press, Scene } from './effect'
import { nearestDrive, ONE } from './fixed'
import { EFFECTS, paintEffect, type EffectName, type LightEffect } from './registry'

/**
 * Paints each effect on a made-up row of six lights, ten millimetres apart, the first four in one zone, each with its
 * own input. Expected values are computed with exact numbers from the definitions in docs/onboard-format.md.
 */
export const COUNT = 6
export const APART = 100
export const plan: LightPlan = {
  count: COUNT,
  x: Int32Array.from({ length: COUNT }, (_, light) => light * APART),
  y: new Int32Array(COUNT),
  zone: Uint8Array.from([0, 0, 0, 0, 1, 1]),
  input: Uint8Array.from([1, 2, 3, 4, 5, 0]),
  box: { left: 0, top: 0, width: (COUNT - 1) * APART, height: 0 },
  inputs: new Map(Array.from({ length: COUNT }, (_, at) => [at + 1, { x: at * APART, y: 0 }])),
}
export const ALL = [0, 1, 2, 3, 4, 5]
export const RED: Rgb = { red: 255, green: 0, blue: 0 }
export const BLUE: Rgb = { red: 0, green: 0, blue: 255 }
export const GREEN: Rgb = { red: 0, green: 255, blue: 0 }

export type Settings = Record<string, unknown>
export interface Moment {
  ms?: number
  chosen?: readonly number[]
  presses?: readonly Press[]
  state?: Partial<LightState>
}

export const set = (kind: EffectName, by: Settings = {}): LightEffect =>
  ({ ...defaultOf(EFFECTS[kind].parameters), kind, ...by }) as LightEffect

export function painted(
  effect: LightEffect,
  { ms = 0, chosen = ALL, presses = [], state = {} }: Moment = {},
): Paint {
  // The previous light must not remain: an effect paints all its lights.
  const channel = () => new Uint16Array(COUNT).fill(4711)
  const paint: Paint = {
    red: channel(),
    green: channel(),
    blue: channel(),
    cover: new Uint32Array(COUNT).fill(4711),
  }
  const whole = { step: GREEN, layers: [], chargePercent: 100, presses, ...state } as unknown as LightState
  const scene: Scene = { plan, chosen, ms, nowMs: ms, state: whole, presses }
  paintEffect(effect, scene, paint)
  return paint
}

/** LED levels of each light, as they would be sent. */
export const drives = (effect: LightEffect, moment: Moment = {}): number[][] => {
  const { red, green, blue } = painted(effect, moment)
  return (moment.chosen ?? ALL).map((_, at) =>
    [red, green, blue].map((channel) => nearestDrive(itemAt(channel, at))),
  )
}
export const covers = (effect: LightEffect, moment: Moment = {}): number[] =>
  [...painted(effect, moment).cover].slice(0, (moment.chosen ?? ALL).length).map((cover) => cover / ONE)
export const reds = (effect: LightEffect, moment: Moment = {}): number[] =>
  drives(effect, moment).map((light) => itemAt(light, 0))

/** Light of an LED level by IEC 61966-2-1, and the reverse, in exact numbers. */
export const exactLight = (drive: number): number => {
  const value = drive / 255
  return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4
}
export const exactDrive = (light: number): number =>
  255 * (light <= 0.0031308 ? light * 12.92 : 1.055 * light ** (1 / 2.4) - 0.055)
export const part = (value: number): number => value - Math.floor(value)

/** The LED levels of a partial mix from red to blue. */
export const redToBlue = (share: number): [number, number] => [exactDrive(1 - share), exactDrive(share)]
export function expectBetween(found: readonly number[], share: number, what: string): void {
  const [red, blue] = redToBlue(share)
  expect(Math.abs(itemAt(found, 0) - red), `${what}: red ${found[0]} for ${red}`).toBeLessThanOrEqual(1.2)
  expect(Math.abs(itemAt(found, 2) - blue), `${what}: blue ${found[2]} for ${blue}`).toBeLessThanOrEqual(1.2)
}
