/**
 * The lights of a device as a pure function of its stack, its state and the time. The device and all previews run this
 * code. It only uses integers; docs/onboard-format.md defines each step.
 */
import { itemAt } from '../base/items'
import { DARK, type Rgb } from '../base/colour'
import type { DeviceModel } from '../device/model'
import { pressesOfInputs, conditionStart } from '../effects/conditions'
import type { LightPlan, LightState, Paint, Scene } from '../effects/effect'
import {
  driveBelow,
  nearestDrive,
  levelOf,
  LIGHT_OF_DRIVE,
  litChannel,
  MAX_LIGHT,
  ONE,
} from '../effects/fixed'
import { paintEffect } from '../effects/registry'
import type { LightEntry } from '../onboard/light-stack'
import { targetLights, lightPlan } from './plan'

export const FRAMES_PER_SECOND = 60

/**
 * The start time in µs of the frame shown at `timeUs`. Lights change 60 times a second: frame n starts at n × 1,000,000
 * / 60 µs, rounded down, and is shown from that µs.
 */
export function frameTimeUs(timeUs: number): number {
  const frame = Math.ceil(((Math.floor(timeUs) + 1) * FRAMES_PER_SECOND) / 1e6) - 1
  return Math.floor((frame * 1e6) / FRAMES_PER_SECOND)
}

/** The same in whole ms, the unit of effects. */
export const frameMs = (timeUs: number): number => Math.floor(frameTimeUs(timeUs) / 1000)

/** A stack for the lights of a model, prepared for repeated composition. */
export interface PreparedLight {
  plan: LightPlan
  /** From bottom to top. */
  entries: readonly { entry: LightEntry; chosen: readonly number[]; opacity: number }[]
  paint: Paint
  /** Light of each channel of each light: red, green and blue of the first, and so on. */
  light: Uint16Array
}

/** @param stack from top to bottom */
export function prepareLight(stack: readonly LightEntry[], model: DeviceModel): PreparedLight {
  const plan = lightPlan(model)
  const shows = (light: number, { effect }: LightEntry) =>
    itemAt(model.zones, plan.zone[light] ?? 0).effects?.includes(effect.kind) ?? true
  const entries = [...stack].reverse().map((entry) => ({
    entry,
    chosen: targetLights(entry.where, plan).filter((light) => shows(light, entry)),
    opacity: levelOf(entry.opacity),
  }))
  const channel = () => new Uint16Array(plan.count)
  const paint = { red: channel(), green: channel(), blue: channel(), cover: new Uint32Array(plan.count) }
  return { plan, entries, paint, light: new Uint16Array(3 * plan.count) }
}

/**
 * Composes a moment, from bottom to top; lights without an effect are off.
 *
 * @param nowMs since the slot became active
 * @returns the light of every channel, 0 to 65,535: the same array each time
 */
export function composeLight(prepared: PreparedLight, state: LightState, nowMs: number): Uint16Array {
  const { plan, entries, paint, light } = prepared
  light.fill(0)
  for (const { entry, chosen, opacity } of entries) {
    const since = chosen.length > 0 ? conditionStart(entry.when, state, nowMs) : undefined
    if (since === undefined) continue
    const presses =
      entry.when.kind === 'press' ? pressesOfInputs(state.presses, entry.when.inputs) : state.presses
    const scene: Scene = { plan, chosen, ms: Math.max(0, nowMs - since), nowMs, state, presses }
    paintEffect(entry.effect, scene, paint)
    lay(light, chosen, paint, opacity, entry.adds)
  }
  return light
}

/** One effect above the others: light times coverage times opacity, in 65,536ths, rounded down at each step. */
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
      light[at] = Math.min(MAX_LIGHT, (light[at] ?? 0) + (((red[index] ?? 0) * part) >>> 16))
      light[at + 1] = Math.min(MAX_LIGHT, (light[at + 1] ?? 0) + (((green[index] ?? 0) * part) >>> 16))
      light[at + 2] = Math.min(MAX_LIGHT, (light[at + 2] ?? 0) + (((blue[index] ?? 0) * part) >>> 16))
    } else {
      const kept = ONE - part
      light[at] = ((light[at] ?? 0) * kept + (red[index] ?? 0) * part) >>> 16
      light[at + 1] = ((light[at + 1] ?? 0) * kept + (green[index] ?? 0) * part) >>> 16
      light[at + 2] = ((light[at + 2] ?? 0) * kept + (blue[index] ?? 0) * part) >>> 16
    }
  }
}

/** Sets some lights, or all, to one colour, for the signal of a step, a slot or an action. */
export function overrideLights(
  light: Uint16Array,
  lights: readonly number[],
  { red, green, blue }: Rgb,
): void {
  for (const each of lights)
    light.set([litChannel(red, ONE), litChannel(green, ONE), litChannel(blue, ONE)], 3 * each)
}

/** Current of the lights, and its limit. */
export interface LightSupply {
  /** Of one channel at full level, in mA. */
  lightMa: number
  /** Of all lights together, in mA. */
  limitMa: number
}

export interface DrivenLights {
  /** 0 to 255 for each channel of each light. */
  drives: Uint8Array
  /** Their current, in mA. */
  ma: number
  /** Whether the frame was dimmed to stay below the limit. */
  limited: boolean
}

/**
 * The LED levels of a frame: the nearest to its light, times the brightness; the whole frame is dimmed if it would
 * exceed the current limit.
 *
 * @param level brightness of all, 0 to 65,536
 */
export function driveLights(
  light: Uint16Array,
  level: number,
  { lightMa, limitMa }: LightSupply,
): DrivenLights {
  const drives = new Uint8Array(light.length)
  let sum = 0
  for (let at = 0; at < light.length; at++) {
    const drive = nearestDrive(light[at] ?? 0)
    drives[at] = level === ONE ? drive : Math.floor((drive * level + ONE / 2) / ONE)
    sum += LIGHT_OF_DRIVE[drives[at] ?? 0] ?? 0
  }
  const max = Math.floor((limitMa * MAX_LIGHT) / lightMa)
  if (sum <= max) return { drives, ma: (sum * lightMa) / MAX_LIGHT, limited: false }
  const factor = Math.floor((max * ONE) / sum)
  sum = 0
  for (let at = 0; at < light.length; at++) {
    drives[at] = driveBelow(Math.floor(((LIGHT_OF_DRIVE[drives[at] ?? 0] ?? 0) * factor) / ONE))
    sum += LIGHT_OF_DRIVE[drives[at] ?? 0] ?? 0
  }
  return { drives, ma: (sum * lightMa) / MAX_LIGHT, limited: true }
}

/** No presses, no layers, a full battery. */
export const STATE_AT_REST: LightState = {
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
