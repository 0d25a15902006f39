import { array, number, object, string } from 'yup'
import { firstItems, itemAt } from '../base/items'
import { HEX_COLOUR, toHex } from '../base/colour'
import { cleanName } from '../base/names'
import { ProfileError } from '../base/errors'
import { colourSchema, isName, isShort, literalSchema, validate, problem } from './schema-parts'
import { message } from '../message/message'

/** Named colours saved in the library. */
export interface Palette {
  format: 'unisera-palette'
  version: 1
  name: string
  /** As #rrggbb. */
  colours: string[]
}

export const MAX_PALETTE_COLOURS = 256
export const MAX_PALETTE_NAME_BYTES = 60

/** The schema of a palette; use {@link parsePalette} to validate. */
export const paletteShape = object({
  format: literalSchema('unisera-palette'),
  version: number<1>()
    .strict()
    .required(problem(message('problems.noVersion')))
    .oneOf([1]),
  name: string()
    .strict()
    .required(problem(message('problems.noPaletteName')))
    .test(isName)
    .test(isShort(MAX_PALETTE_NAME_BYTES)),
  colours: array(colourSchema()).strict().required().min(1).max(MAX_PALETTE_COLOURS),
}).noUnknown()

/** Validates any value as a palette. @throws ProfileError with a line for each problem */
export const parsePalette = (value: unknown): Palette => validate(paletteShape, value)

export const newPalette = (name: string, colours: readonly string[]): Palette => ({
  format: 'unisera-palette',
  version: 1,
  name: cleanName(name, MAX_PALETTE_NAME_BYTES, 'Palette'),
  colours: [...new Set(colours)].slice(0, MAX_PALETTE_COLOURS),
})

const MAX_LINES = 5000

/**
 * Parses a GIMP palette (`.gpl`: a line "GIMP Palette", "Name: …", "Columns: …", then red, green and blue of each
 * colour with an optional name; `#` starts a comment).
 *
 * @param defaultValue its name if the file has none
 * @throws ProfileError with the invalid line
 */
export function paletteFromGpl(text: string, defaultValue: string): Palette {
  const lines = text.replace(/^\ufeff/, '').split(/\r?\n/)
  if (lines[0]?.trim() !== 'GIMP Palette') throw new ProfileError([message('problems.notGimp')])
  if (lines.length > MAX_LINES) throw new ProfileError([message('problems.maxLines', { max: MAX_LINES })])
  let name = defaultValue
  const colours: string[] = []
  lines.slice(1).forEach((line, index) => {
    if (/^\s*(#|$|Columns:)/.test(line)) return
    const named = /^Name:\s*(.*)$/.exec(line)
    if (named) {
      name = itemAt(named, 1).trim() || defaultValue
      return
    }
    const channels = /^\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(\s|$)/.exec(line)?.slice(1, 4).map(Number)
    if (!channels || Math.max(...channels) > 255)
      throw new ProfileError([message('problems.gplLine', { line: index + 2 })])
    const [red, green, blue] = firstItems(channels, 3)
    colours.push(toHex({ red, green, blue }))
  })
  if (colours.length === 0) throw new ProfileError([message('problems.noColours')])
  return parsePalette(newPalette(name, colours))
}

export const paletteToGpl = ({ name, colours }: Palette): string =>
  [
    'GIMP Palette',
    `Name: ${name}`,
    'Columns: 8',
    '#',
    ...colours.map((each) => {
      const channels = [1, 3, 5].map((at) => String(Number.parseInt(each.slice(at, at + 2), 16)).padStart(3))
      return `${channels.join(' ')}\t${each}`
    }),
    '',
  ].join('\n')

/**
 * Main colours of a picture: its pixels are repeatedly split where they differ most (median cut, Heckbert 1982), and
 * each part contributes its mean.
 *
 * @param pixels red, green, blue and opacity of each
 * @param most maximum number of colours
 * @returns as #rrggbb, the most frequent first
 */
export function mainColours(pixels: Uint8ClampedArray, max: number): string[] {
  const all: number[] = []
  for (let at = 0; at < pixels.length; at += 4) if ((pixels[at + 3] ?? 0) >= 128) all.push(at)
  if (all.length === 0) return []
  const spread = (box: readonly number[]) => {
    const ranges = [0, 1, 2].map((channel) => {
      let [min, highest] = [255, 0]
      for (const at of box) {
        min = Math.min(min, pixels[at + channel] ?? 0)
        highest = Math.max(highest, pixels[at + channel] ?? 0)
      }
      return highest - min
    })
    const range = Math.max(...ranges)
    return { channel: ranges.indexOf(range), range }
  }
  let boxes = [{ box: all, ...spread(all) }]
  while (boxes.length < max) {
    const widest = boxes.reduce((a, b) =>
      b.range * Math.sqrt(b.box.length) > a.range * Math.sqrt(a.box.length) ? b : a,
    )
    if (widest.range === 0) break
    const sorted = [...widest.box].sort(
      (a, b) => (pixels[a + widest.channel] ?? 0) - (pixels[b + widest.channel] ?? 0),
    )
    const half = sorted.length >> 1
    const parts = [sorted.slice(0, half), sorted.slice(half)].filter((part) => part.length > 0)
    boxes = [...boxes.filter((each) => each !== widest), ...parts.map((box) => ({ box, ...spread(box) }))]
    if (parts.length < 2) break
  }
  const means = boxes
    .sort((a, b) => b.box.length - a.box.length)
    .map(({ box }) => {
      const mean = (channel: number) =>
        Math.round(box.reduce((sum, at) => sum + (pixels[at + channel] ?? 0), 0) / box.length)
      return toHex({ red: mean(0), green: mean(1), blue: mean(2) })
    })
  return [...new Set(means)].filter((each) => HEX_COLOUR.test(each))
}
