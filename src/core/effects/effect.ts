import type { Rgb } from '../base/colour'
import type { StandingParameters, ValuesOf } from '../base/parameters'
import { choiceOf, millis, percent } from '../base/parameters'
import type { FirmwareVersion } from '../base/versions'
import { between, levelOf, lit, ONE, turnOf } from './fixed'

/**
 * The lights of a device, in the order of its model. Places in tenths of a millimetre on its plan, x to the right and
 * y towards the hand.
 */
export interface LightPlan {
  count: number
  x: Int32Array
  y: Int32Array
  /** Place of its zone in the model's list. */
  zone: Uint8Array
  /** Number of the input it belongs to, 0 where it is of none. */
  input: Uint8Array
  /** What all lights lie in. */
  box: { left: number; top: number; width: number; height: number }
  /** Where an input lies, by its number. */
  inputs: ReadonlyMap<number, { x: number; y: number }>
}

/** An input that was pressed: when, and when it was let go if it was. In ms since the slot came on. */
export interface Press {
  input: number
  atMs: number
  upMs?: number
}

/** A layer that is on: since when, what light it has, and which inputs it binds. */
export interface LayerOn {
  layer: number
  atMs: number
  colour: Rgb
  inputs: ReadonlySet<number>
}

/**
 * All a device is in that its lights may tell. Times are ms on the clock its effects go by: since the slot came on, or the
 * receiver's. Earlier ones may be negative.
 */
export interface LightState {
  step: Rgb
  /** Those over the base, uppermost first. */
  layers: readonly LayerOn[]
  chargePercent: number
  charging: boolean
  /** Place of the connection in the model's list counted from 1, 0 without one; 255 while it looks for one to pair with. */
  connection: number
  /** The last presses, latest last. */
  presses: readonly Press[]
  /** Macros that run, by number. */
  macros: readonly { macro: number; atMs: number }[]
  signalAtMs?: number
  countdown?: { atMs: number; lengthMs: number; colour: Rgb }
  lastInputMs: number
  /** When the slot came on. */
  arrivalAtMs: number
}

/** What one effect paints: light of each chosen light, 0 to 65,535 a channel, and how far it covers what is below. */
export interface Paint {
  red: Uint16Array
  green: Uint16Array
  blue: Uint16Array
  /** 0 to 65,536. */
  cover: Uint32Array
}

/** What an effect is asked to paint: these of the lights, at this time since it began, by this state. */
export interface Scene {
  plan: LightPlan
  /** Indices of the lights it is on, in the model's order. */
  chosen: readonly number[]
  /** ms since the effect began. */
  ms: number
  /** ms since the slot came on: what the times of the state count from. */
  nowMs: number
  state: LightState
  /** The presses its condition takes. */
  presses: readonly Press[]
}

/** What of an effect changes while nothing else of the device does. */
export type Timing =
  /** It shows the same at all times in the same state. */
  | { moves: 'never' }
  /** It changes all the time; most of them begin again after a period. */
  | { moves: 'always'; periodMs: number }
  /**
   * It shows nothing until this has happened. `lastsMs`: how long it moves after that; where it is left out, as long as
   * the layer is on or the countdown runs.
   */
  | { moves: 'after'; what: SetOff; lastsMs?: number }

/** What sets an effect off. */
export type SetOff = 'press' | 'layer' | 'countdown'

export const still = (): Timing => ({ moves: 'never' })

/**
 * An effect as data and pure functions. Whatever other code needs to know about an effect is here: its bytes, schema,
 * control and words are derived from its parameters, and nothing keeps a list of effects by name.
 */
export interface EffectKind<Ps extends StandingParameters, Values = ValuesOf<Ps>> {
  /** In images, 0 to 30. */
  code: number
  /** The first firmware that shows it. */
  since: FirmwareVersion
  parameters: Ps
  timing(values: Values): Timing
  /** Whether it leaves nothing of what is below, at any time and in any state. */
  covers: boolean
  /** What a device must have for it to be offered. */
  needs?: 'battery' | 'sensor'
  /** Parameters of two colours that every eye must tell apart; the second is the one to change where it cannot. */
  tellApart?: readonly [keyof Ps & string, keyof Ps & string]
  /** Whether it tells layers by their colours. */
  showsLayers?: true
  /** Names of what makes no difference as it is set: their controls need not be there. */
  idle?(values: Values): readonly (keyof Ps & string)[]
  paint(values: Values, scene: Scene, paint: Paint): void
}

/** An effect of any kind, whose values come from its parameters. */
export type AnyEffectKind = EffectKind<StandingParameters, object>

/** Keeps the kinds of the parameters, so that the values of each have their types. */
export const effect = <const Ps extends StandingParameters>(kind: EffectKind<Ps>): EffectKind<Ps> => kind

export const PERIOD = { least: 100, most: 60_000 } as const
export const brightness = percent(100, 1)
export const period = (otherwise: number) => millis(PERIOD.least, PERIOD.most, otherwise)
export const seed = { kind: 'number', least: 0, most: 9999, otherwise: 0 } as const

/** Where in its period an effect begins, and how much later each light or zone is than the one before. */
export const phase = {
  shift: percent(0),
  lag: percent(0),
  lagBy: choiceOf('light', 'zone'),
}

/** With no lag there is nothing it goes by. */
export const noLag = ({ lag }: { lag: number }): readonly 'lagBy'[] => (lag === 0 ? ['lagBy'] : [])

/** The turn of each chosen light, 0 to 65,535, with shift and lag. */
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

/** What each chosen light shows by its turn; worked out once where they all have the same. */
export function putByTurn(
  scene: Scene,
  paint: Paint,
  timing: Parameters<typeof turnsOf>[1],
  lightAt: (turn: number, index: number) => Light,
): void {
  const turn = turnsOf(scene, timing)
  if (timing.lag === 0) return putAll(paint, scene, lightAt(turn(0), 0))
  for (let index = 0; index < scene.chosen.length; index++) put(paint, index, lightAt(turn(index), index))
}

/** Light of a colour at a level of 0 to 65,536. */
export interface Light {
  red: number
  green: number
  blue: number
}

/** No light. */
export const NONE: Light = { red: 0, green: 0, blue: 0 }

export const lightOf = ({ red, green, blue }: Rgb, level: number): Light => ({
  red: lit(red, level),
  green: lit(green, level),
  blue: lit(blue, level),
})

/** One chosen light gets a light. */
export function put(paint: Paint, index: number, { red, green, blue }: Light, cover: number = ONE): void {
  paint.red[index] = red
  paint.green[index] = green
  paint.blue[index] = blue
  paint.cover[index] = cover
}

/** Every chosen light gets the same. */
export function putAll(
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

/** One chosen light gets what lies between two, by parts of 65,536. */
export function putBetween(paint: Paint, index: number, a: Light, b: Light, part: number): void {
  paint.red[index] = between(a.red, b.red, part)
  paint.green[index] = between(a.green, b.green, part)
  paint.blue[index] = between(a.blue, b.blue, part)
  paint.cover[index] = ONE
}
