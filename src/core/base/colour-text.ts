import {
  formatHex,
  modeHsl,
  modeHwb,
  modeLab,
  modeLch,
  modeOklab,
  modeOklch,
  modeRgb,
  parse,
  useMode as withMode,
} from 'culori/fn'
import { HEX_COLOUR } from './colour'

for (const mode of [modeRgb, modeHsl, modeHwb, modeLab, modeLch, modeOklab, modeOklch]) withMode(mode)

/**
 * Parses a typed colour: a name, hexadecimal digits with or without `#`, or any other CSS colour (Color Module Level
 * 4).
 *
 * @returns #rrggbb, or undefined if it is not a colour
 */
export function parseColour(text: string): string | undefined {
  const typed = text.trim().toLowerCase()
  const digits = /^[0-9a-f]{3}([0-9a-f]{3})?$/.test(typed) ? `#${typed}` : typed
  const hex = formatHex(parse(digits))
  return hex !== undefined && HEX_COLOUR.test(hex) ? hex : undefined
}
