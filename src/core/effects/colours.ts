import { itemAt } from '../base/items'
import type { Rgb } from '../base/colour'
import { lightOf, putBetween, type Light, type Paint } from './effect'
import { between, levelOf, ONE } from './fixed'

/** The lights of some colours at a brightness. */
export const lightsOf = (colours: readonly Rgb[], percent: number): Light[] => {
  const level = levelOf(percent)
  return colours.map((colour) => lightOf(colour, level))
}

/** Between two lights; mixed as light, not as drives. */
export const mix = (a: Light, b: Light, part: number): Light => ({
  red: between(a.red, b.red, part),
  green: between(a.green, b.green, part),
  blue: between(a.blue, b.blue, part),
})

/** Round a ring of lights: at a turn of 0 to 65,535, from each to the next and from the last to the first. */
export function putOnRing(paint: Paint, index: number, lights: readonly Light[], turn: number): void {
  const place = turn * lights.length
  const at = place >>> 16
  putBetween(paint, index, itemAt(lights, at), itemAt(lights, (at + 1) % lights.length), place & 0xffff)
}

/** Along a row of lights: at 0 the first, at 65,536 the last. */
export function putOnRow(paint: Paint, index: number, lights: readonly Light[], part: number): void {
  const place = part * (lights.length - 1)
  const at = Math.min(lights.length - 2, place >>> 16)
  putBetween(paint, index, itemAt(lights, at), itemAt(lights, at + 1), place - at * ONE)
}
