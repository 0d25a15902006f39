/** Levels of red, green and blue, each 0 to 255, as sent to a light. */
export interface Rgb {
  red: number
  green: number
  blue: number
}

export const DARK: Rgb = { red: 0, green: 0, blue: 0 }

/** @returns `#rrggbb` for levels of 0 to 255 per channel */
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
