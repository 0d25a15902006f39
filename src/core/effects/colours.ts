import { itemAt } from '../base/items'
import type { Rgb } from '../base/colour'
import { lightOf, setMixedLight, type Light, type Paint } from './effect'
import { mixLight, levelOf, ONE } from './fixed'

/** The light of some colours at a brightness. */
export const lightsOf = (colours: readonly Rgb[], percent: number): Light[] => {
  const level = levelOf(percent)
  return colours.map((colour) => lightOf(colour, level))
}

/** Mixes two colours linearly, as light and not as LED levels. */
export const mix = (a: Light, b: Light, part: number): Light => ({
  red: mixLight(a.red, b.red, part),
  green: mixLight(a.green, b.green, part),
  blue: mixLight(a.blue, b.blue, part),
})

/** A position in a ring of colours: a turn of 0 to 65,535 goes from each to the next and from the last to the first. */
export function setFromRing(paint: Paint, index: number, lights: readonly Light[], turn: number): void {
  const place = turn * lights.length
  const at = place >>> 16
  setMixedLight(paint, index, itemAt(lights, at), itemAt(lights, (at + 1) % lights.length), place & 0xffff)
}

/** A position in a row of colours: 0 is the first, 65,536 the last. */
export function setFromRow(paint: Paint, index: number, lights: readonly Light[], part: number): void {
  const place = part * (lights.length - 1)
  const at = Math.min(lights.length - 2, place >>> 16)
  setMixedLight(paint, index, itemAt(lights, at), itemAt(lights, at + 1), place - at * ONE)
}
