import type { Rgb } from './effects'

/** @returns `#rrggbb` for a drive of 0 to 255 a channel */
export const toHex = ({ red, green, blue }: Rgb): string =>
  `#${[red, green, blue].map((value) => Math.round(value).toString(16).padStart(2, '0')).join('')}`

/**
 * @param hex `#rrggbb`, upper or lower case
 * @throws RangeError for anything else
 */
export function fromHex(hex: string): Rgb {
  if (!HEX_COLOUR.test(hex)) throw new RangeError(`"${hex}" is not a colour written as #rrggbb`)
  const value = Number.parseInt(hex.slice(1), 16)
  return { red: value >> 16, green: (value >> 8) & 0xff, blue: value & 0xff }
}

export const HEX_COLOUR = /^#[0-9a-f]{6}$/i
