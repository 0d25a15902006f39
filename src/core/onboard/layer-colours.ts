import type { Rgb } from '../base/colour'

const rgb = (red: number, green: number, blue: number): Rgb => ({ red, green, blue })

/** The light of each colour a layer may have, by its number: as saturated as lights are, and told apart. */
export const LAYER_LIGHTS: readonly Rgb[] = [
  rgb(0x50, 0x40, 0xff),
  rgb(0x20, 0xb4, 0xff),
  rgb(0xb0, 0x30, 0xff),
  rgb(0x90, 0xb0, 0xd8),
  rgb(0x10, 0x28, 0xf0),
  rgb(0xd8, 0x90, 0xff),
  rgb(0x30, 0x78, 0x90),
]
