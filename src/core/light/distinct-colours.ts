import { message, type Message } from '../message/message'
import { clamp } from '../base/numbers'
import {
  differenceCiede2000,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
  modeLab65,
  modeLrgb,
  modeRgb,
  useMode as withMode,
  type Lab65,
  type Rgb,
} from 'culori/fn'
import { itemAt } from '../base/items'
import { toHex } from '../base/colour'

/**
 * Whether colours can be distinguished at a glance, with full colour vision and with the three common deficiencies:
 * CIEDE2000 (Sharma, Wu and Dalal 2005) between the simulated colours (Machado, Oliveira and Fernandes 2009).
 */
const rgb = withMode(modeRgb)
const lrgb = withMode(modeLrgb)
const lab65 = withMode(modeLab65)

/**
 * Below this ΔE00, two step colours are too similar: several times the difference that is just noticeable side by side.
 */
export const MIN_DISTINCT_DELTA = 11

const difference = differenceCiede2000()
const VISIONS: readonly { name: Message; seen: (colour: Rgb) => Rgb }[] = [
  { name: message('checks.fullVision'), seen: (colour) => colour },
  { name: message('checks.protanopia'), seen: inLinearLight(filterDeficiencyProt(1)) },
  { name: message('checks.deuteranopia'), seen: inLinearLight(filterDeficiencyDeuter(1)) },
  { name: message('checks.tritanopia'), seen: inLinearLight(filterDeficiencyTrit(1)) },
]

/** The matrices of the source are for linear light; the library applies them to any numbers. */
function inLinearLight(filter: (colour: Rgb) => Rgb): (colour: Rgb) => Rgb {
  const within = (value: number) => clamp(value, 0, 1)
  return (colour) => {
    const { r, g, b } = lrgb(colour)
    const seen = filter({ mode: 'rgb', r, g, b })
    return rgb({ mode: 'lrgb', r: within(seen.r), g: within(seen.g), b: within(seen.b) })
  }
}

export interface ColourDifference {
  /** ΔE00 for the colour vision that distinguishes them least. */
  delta: number
  vision: Message
}

/** @param a colour as #rrggbb */
export function minDifference(a: string, b: string): ColourDifference {
  const [first, second] = [sights(a), sights(b)]
  return VISIONS.map(({ name }, index) => ({
    delta: difference(itemAt(first, index), itemAt(second, index)),
    vision: name,
  })).reduce((min, each) => (each.delta < min.delta ? each : min))
}

/**
 * The colour nearest to a given one that everyone can distinguish from some others.
 *
 * @returns #rrggbb, or undefined if there is none
 */
export function nearestDistinctColour(colour: string, others: readonly string[]): string | undefined {
  const wanted = itemAt(sights(colour), 0)
  return candidates()
    .map((hex) => ({ hex, away: difference(wanted, itemAt(sights(hex), 0)) }))
    .sort((a, b) => a.away - b.away)
    .find(({ hex }) => others.every((other) => minDifference(hex, other).delta >= MIN_DISTINCT_DELTA))?.hex
}

const seenBefore = new Map<string, Lab65[]>()
const MAX_KEPT = 2000

/** A colour as seen with each colour vision. */
function sights(hex: string): Lab65[] {
  const known = seenBefore.get(hex)
  if (known) return known
  const colour = rgb(hex) ?? { mode: 'rgb', r: 0, g: 0, b: 0 }
  const found = VISIONS.map(({ seen }) => lab65(seen(colour)))
  if (seenBefore.size >= MAX_KEPT) seenBefore.clear()
  seenBefore.set(hex, found)
  return found
}

const LEVELS = [0x00, 0x48, 0x80, 0xb0, 0xd8, 0xff]
let step: string[] | undefined
/** Colours that a light can show, over all three channels, without the darkest. */
function candidates(): string[] {
  step ??= LEVELS.flatMap((red) =>
    LEVELS.flatMap((green) =>
      LEVELS.filter((blue) => Math.max(red, green, blue) > 0x80).map((blue) => toHex({ red, green, blue })),
    ),
  )
  return step
}
