import type { Rgb } from '../base/colour'
import type { DefaultedParameters, ValuesOf } from '../base/parameters'
import { choiceParameter, millis, percent } from '../base/parameters'
import type { FirmwareVersion } from '../base/versions'
import { mixLight, levelOf, litChannel, ONE, turnOf } from './fixed'

/**
 * The lights of a device, in the order of its model. Positions are in tenths of a millimetre in its top view, x to the
 * right and y towards the hand.
 */
export interface LightPlan {
  count: number
  x: Int32Array
  y: Int32Array
  /** Index of its zone in the model's list. */
  zone: Uint8Array
  /** Number of its input, or 0. */
  input: Uint8Array
  /** The bounding box of all lights. */
  box: { left: number; top: number; width: number; height: number }
  /** Position of an input, by its number. */
  inputs: ReadonlyMap<number, { x: number; y: number }>
}

/** A pressed input, with the time of its press and of its release, if any, in ms since the slot became active. */
export interface Press {
  input: number
  atMs: number
  upMs?: number
}

/** An active layer: its start time, its light, and the inputs it binds. */
export interface ActiveLayer {
  layer: number
  atMs: number
  colour: Rgb
  inputs: ReadonlySet<number>
}

/**
 * The state of a device that its lights can show. Times are ms on the clock of its effects: since the slot became
 * active, or the receiver's. Earlier ones may be negative.
 */
export interface LightState {
  step: Rgb
  /** Layers above the base, the highest first. */
  layers: readonly ActiveLayer[]
  chargePercent: number
  charging: boolean
  /** Index of the connection in the model's list counted from 1, 0 without one; 255 while pairing. */
  connection: number
  /** The latest presses, in order. */
  presses: readonly Press[]
  /** Numbers of the running macros. */
  macros: readonly { macro: number; atMs: number }[]
  signalAtMs?: number
  countdown?: { atMs: number; lengthMs: number; colour: Rgb }
  lastInputMs: number
  /** Time when the slot became active. */
  arrivalAtMs: number
}

/**
 * The output of one effect: light of each of its lights, 0 to 65,535 per channel, and its coverage of the effects
 * below.
 */
export interface Paint {
  red: Uint16Array
  green: Uint16Array
  blue: Uint16Array
  /** 0 to 65,536. */
  cover: Uint32Array
}

/** The input of an effect: its lights, the time since its start, and the state. */
export interface Scene {
  plan: LightPlan
  /** Indices of its lights, in the model's order. */
  chosen: readonly number[]
  /** ms since the start of the effect. */
  ms: number
  /** ms since the slot became active: the reference of all times in the state. */
  nowMs: number
  state: LightState
  /** The presses that meet its condition. */
  presses: readonly Press[]
}

/** How an effect changes while nothing else happens to the device. */
export type Timing =
  /** It is constant in a given state. */
  | { moves: 'never' }
  /** It changes continuously; most effects repeat after a period. */
  | { moves: 'always'; periodMs: number }
  /**
   * It shows nothing until its trigger. `lastsMs`: how long it changes afterwards; if omitted, as long as the layer is
   * active or the countdown runs.
   */
  | { moves: 'after'; what: Trigger; lastsMs?: number }

/** The trigger of an effect. */
export type Trigger = 'press' | 'layer' | 'countdown'

export const notMoving = (): Timing => ({ moves: 'never' })

/**
 * An effect as data and pure functions. All other code derives what it needs about an effect from here: bytes, schema,
 * control and words follow from its parameters, and there are no lists of effects by name.
 */
export interface EffectKind<Ps extends DefaultedParameters, Values = ValuesOf<Ps>> {
  /** In images, 0 to 30. */
  code: number
  /** The first firmware that supports it. */
  since: FirmwareVersion
  parameters: Ps
  timing(values: Values): Timing
  /** Whether it always hides everything below it, in any state. */
  covers: boolean
  /** Requirements of the device for offering it. */
  needs?: 'battery' | 'sensor'
  /** Two colour parameters that must be distinguishable by everyone; the second is the one to change. */
  tellApart?: readonly [keyof Ps & string, keyof Ps & string]
  /** Whether its colours distinguish layers. */
  showsLayers?: true
  /** Names of parameters without an effect in the current settings; their controls are hidden. */
  idle?(values: Values): readonly (keyof Ps & string)[]
  paint(values: Values, scene: Scene, paint: Paint): void
}

/** An effect of any kind, with values for its parameters. */
export type AnyEffectKind = EffectKind<DefaultedParameters, object>

/** Keeps the kinds of the parameters, so that the values of each have their types. */
export const defineEffect = <const Ps extends DefaultedParameters>(kind: EffectKind<Ps>): EffectKind<Ps> =>
  kind

export const PERIOD = { min: 100, max: 60_000 } as const
export const brightness = percent(100, 1)
export const period = (defaultValue: number) => millis(PERIOD.min, PERIOD.max, defaultValue)
export const seed = { kind: 'number', min: 0, max: 9999, default: 0 } as const

/** The start phase of an effect, and the phase offset from each light or zone to the next. */
export const phase = {
  shift: percent(0),
  lag: percent(0),
  lagBy: choiceParameter('light', 'zone'),
}

/** Without an offset, it depends on nothing. */
export const hasNoLag = ({ lag }: { lag: number }): readonly 'lagBy'[] => (lag === 0 ? ['lagBy'] : [])

/** The turn of each of its lights, 0 to 65,535, with start phase and offset. */
function turnsOf(
  { plan, chosen, ms }: Scene,
  { periodMs, shift, lag, lagBy }: { periodMs: number; shift: number; lag: number; lagBy: 'light' | 'zone' },
): (index: number) => number {
  const base = turnOf(ms, periodMs) + levelOf(shift)
  if (lag === 0) {
    const turn = base % ONE
    return () => turn
  }
  const by = levelOf(lag)
  if (lagBy === 'light') return (index) => (base + ONE * index - by * index) % ONE
  const zones: number[] = []
  const order = chosen.map((light) => {
    const zone = plan.zone[light] ?? 0
    if (!zones.includes(zone)) zones.push(zone)
    return zones.indexOf(zone)
  })
  return (index) => (base + ONE * (order[index] ?? 0) - by * (order[index] ?? 0)) % ONE
}

/** The light at each turn; computed once if all lights share it. */
export function setLightsByTurn(
  scene: Scene,
  paint: Paint,
  timing: Parameters<typeof turnsOf>[1],
  lightAt: (turn: number, index: number) => Light,
): void {
  const turn = turnsOf(scene, timing)
  if (timing.lag === 0) return setAllLights(paint, scene, lightAt(turn(0), 0))
  for (let index = 0; index < scene.chosen.length; index++)
    setLight(paint, index, lightAt(turn(index), index))
}

/** Light of a colour at a level of 0 to 65,536. */
export interface Light {
  red: number
  green: number
  blue: number
}

/** No light. */
export const NO_LIGHT: Light = { red: 0, green: 0, blue: 0 }

export const lightOf = ({ red, green, blue }: Rgb, level: number): Light => ({
  red: litChannel(red, level),
  green: litChannel(green, level),
  blue: litChannel(blue, level),
})

/** Sets one of its lights. */
export function setLight(
  paint: Paint,
  index: number,
  { red, green, blue }: Light,
  cover: number = ONE,
): void {
  paint.red[index] = red
  paint.green[index] = green
  paint.blue[index] = blue
  paint.cover[index] = cover
}

/** Sets all of its lights. */
export function setAllLights(
  paint: Paint,
  { chosen }: Scene,
  { red, green, blue }: Light,
  cover: number = ONE,
): void {
  const count = chosen.length
  paint.red.fill(red, 0, count)
  paint.green.fill(green, 0, count)
  paint.blue.fill(blue, 0, count)
  paint.cover.fill(cover, 0, count)
}

/** Sets one of its lights to a mix of two, in 65,536ths. */
export function setMixedLight(paint: Paint, index: number, a: Light, b: Light, part: number): void {
  paint.red[index] = mixLight(a.red, b.red, part)
  paint.green[index] = mixLight(a.green, b.green, part)
  paint.blue[index] = mixLight(a.blue, b.blue, part)
  paint.cover[index] = ONE
}
