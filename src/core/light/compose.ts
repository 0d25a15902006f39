/**
 * What the lights of a device show: a pure function of its stack, its state and the time. The device runs this code,
 * and so does every preview of it. Whole numbers only; docs/onboard-format.md says each step.
 */
import { itemAt } from '../base/items'
import { DARK, type Rgb } from '../base/colour'
import type { DeviceModel } from '../device/model'
import { pressesOf, holdsFrom } from '../effects/conditions'
import type { LightPlan, LightState, Paint, Scene } from '../effects/effect'
import { driveBelow, driveOf, levelOf, LIGHT_OF_DRIVE, lit, MOST_LIGHT, ONE } from '../effects/fixed'
import { paintEffect } from '../effects/registry'
import type { LightEntry } from '../onboard/light-stack'
import { chosenOf, lightPlan } from './plan'

export const FRAMES_PER_SECOND = 60

/**
 * The instant in µs at which the frame that is showing at `timeUs` began. Lights change 60 times a second: frame n begins
 * at n × 1,000,000 / 60 µs, rounded down, and at that µs it shows.
 */
export function frameTimeUs(timeUs: number): number {
  const frame = Math.ceil(((Math.floor(timeUs) + 1) * FRAMES_PER_SECOND) / 1e6) - 1
  return Math.floor((frame * 1e6) / FRAMES_PER_SECOND)
}

/** The same in whole ms, which is what effects count in. */
export const frameMs = (timeUs: number): number => Math.floor(frameTimeUs(timeUs) / 1000)

/** A stack on the lights of a model, ready to be composed again and again. */
export interface PreparedLight {
  plan: LightPlan
  /** Bottom first. */
  entries: readonly { entry: LightEntry; chosen: readonly number[]; opacity: number }[]
  paint: Paint
  /** Light of each channel of each light: red, green and blue of the first, and so on. */
  light: Uint16Array
}

/** @param stack top first */
export function prepareLight(stack: readonly LightEntry[], model: DeviceModel): PreparedLight {
  const plan = lightPlan(model)
  const shows = (light: number, { effect }: LightEntry) =>
    itemAt(model.zones, plan.zone[light] ?? 0).effects?.includes(effect.kind) ?? true
  const entries = [...stack].reverse().map((entry) => ({
    entry,
    chosen: chosenOf(entry.where, plan).filter((light) => shows(light, entry)),
    opacity: levelOf(entry.opacity),
  }))
  const channel = () => new Uint16Array(plan.count)
  const paint = { red: channel(), green: channel(), blue: channel(), cover: new Uint32Array(plan.count) }
  return { plan, entries, paint, light: new Uint16Array(3 * plan.count) }
}

/**
 * Composes a moment, bottom first; what is not lit is dark.
 *
 * @param nowMs since the slot came on
 * @returns the light of every channel, 0 to 65,535: the same array each time
 */
export function composeLight(prepared: PreparedLight, state: LightState, nowMs: number): Uint16Array {
  const { plan, entries, paint, light } = prepared
  light.fill(0)
  for (const { entry, chosen, opacity } of entries) {
    const since = chosen.length > 0 ? holdsFrom(entry.when, state, nowMs) : undefined
    if (since === undefined) continue
    const presses = entry.when.kind === 'press' ? pressesOf(state.presses, entry.when.inputs) : state.presses
    const scene: Scene = { plan, chosen, ms: Math.max(0, nowMs - since), nowMs, state, presses }
    paintEffect(entry.effect, scene, paint)
    lay(light, chosen, paint, opacity, entry.adds)
  }
  return light
}

/** One effect over what is below: light times cover times opacity, in 65,536ths, rounded down at each step. */
function lay(
  light: Uint16Array,
  chosen: readonly number[],
  { red, green, blue, cover }: Paint,
  opacity: number,
  adds: boolean,
): void {
  for (let index = 0; index < chosen.length; index++) {
    const part = opacity === ONE ? (cover[index] ?? 0) : Math.floor(((cover[index] ?? 0) * opacity) / ONE)
    if (part === 0) continue
    const at = 3 * (chosen[index] ?? 0)
    if (adds) {
      light[at] = Math.min(MOST_LIGHT, (light[at] ?? 0) + (((red[index] ?? 0) * part) >>> 16))
      light[at + 1] = Math.min(MOST_LIGHT, (light[at + 1] ?? 0) + (((green[index] ?? 0) * part) >>> 16))
      light[at + 2] = Math.min(MOST_LIGHT, (light[at + 2] ?? 0) + (((blue[index] ?? 0) * part) >>> 16))
    } else {
      const kept = ONE - part
      light[at] = ((light[at] ?? 0) * kept + (red[index] ?? 0) * part) >>> 16
      light[at + 1] = ((light[at + 1] ?? 0) * kept + (green[index] ?? 0) * part) >>> 16
      light[at + 2] = ((light[at + 2] ?? 0) * kept + (blue[index] ?? 0) * part) >>> 16
    }
  }
}

/** Takes some lights, or all, for one colour: the notice of a step, a slot or a signal. */
export function takeLights(light: Uint16Array, lights: readonly number[], { red, green, blue }: Rgb): void {
  for (const each of lights) light.set([lit(red, ONE), lit(green, ONE), lit(blue, ONE)], 3 * each)
}

/** How lights draw current, and how much all of them may. */
export interface LightSupply {
  /** Of one channel at full drive, in mA. */
  lightMa: number
  /** Of all together, in mA. */
  limitMa: number
}

export interface Driven {
  /** 0 to 255 for each channel of each light. */
  drives: Uint8Array
  /** What they draw, in mA. */
  ma: number
  /** Whether the frame was scaled to stay under the limit. */
  limited: boolean
}

/**
 * The drives sent for a frame: the nearest to its light, times the brightness that is set; scaled as a whole where
 * they would draw more than there is.
 *
 * @param level brightness of all, 0 to 65,536
 */
export function driveLights(light: Uint16Array, level: number, { lightMa, limitMa }: LightSupply): Driven {
  const drives = new Uint8Array(light.length)
  let sum = 0
  for (let at = 0; at < light.length; at++) {
    const drive = driveOf(light[at] ?? 0)
    drives[at] = level === ONE ? drive : Math.floor((drive * level + ONE / 2) / ONE)
    sum += LIGHT_OF_DRIVE[drives[at] ?? 0] ?? 0
  }
  const most = Math.floor((limitMa * MOST_LIGHT) / lightMa)
  if (sum <= most) return { drives, ma: (sum * lightMa) / MOST_LIGHT, limited: false }
  const factor = Math.floor((most * ONE) / sum)
  sum = 0
  for (let at = 0; at < light.length; at++) {
    drives[at] = driveBelow(Math.floor(((LIGHT_OF_DRIVE[drives[at] ?? 0] ?? 0) * factor) / ONE))
    sum += LIGHT_OF_DRIVE[drives[at] ?? 0] ?? 0
  }
  return { drives, ma: (sum * lightMa) / MOST_LIGHT, limited: true }
}

/** Nothing pressed, no layer, a full battery. */
export const AT_REST: LightState = {
  step: DARK,
  layers: [],
  chargePercent: 100,
  charging: false,
  connection: 1,
  presses: [],
  macros: [],
  lastInputMs: 0,
  arrivalAtMs: 0,
}
