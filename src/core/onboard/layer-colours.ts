import type { Rgb } from '../base/colour'

const rgb = (red: number, green: number, blue: number): Rgb => ({ red, green, blue })

/** The light of each layer colour, by its number; everyone can distinguish them (checked by a test). */
export const LAYER_LIGHTS: readonly Rgb[] = [
  rgb(0x58, 0x00, 0x8c),
  rgb(0x00, 0xc0, 0xff),
  rgb(0xc7, 0x3f, 0xff),
  rgb(0x90, 0x90, 0x90),
  rgb(0x00, 0x00, 0xff),
  rgb(0xff, 0xc0, 0xc0),
  rgb(0x30, 0x68, 0x90),
]
