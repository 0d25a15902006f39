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
 * A colour as a person types it: a name, hexadecimal digits with or without `#`, or any other colour of CSS (Color
 * Module Level 4).
 *
 * @returns #rrggbb, or undefined for what is no colour
 */
export function colourFrom(text: string): string | undefined {
  const typed = text.trim().toLowerCase()
  const digits = /^[0-9a-f]{3}([0-9a-f]{3})?$/.test(typed) ? `#${typed}` : typed
  const hex = formatHex(parse(digits))
  return hex !== undefined && HEX_COLOUR.test(hex) ? hex : undefined
}
