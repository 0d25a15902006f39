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
 * Whether colours can be told apart at a glance, by full colour vision and by the three common deficiencies:
 * CIEDE2000 (Sharma, Wu and Dalal 2005) between what each of them sees (Machado, Oliveira and Fernandes 2009).
 */
const rgb = withMode(modeRgb)
const lrgb = withMode(modeLrgb)
const lab65 = withMode(modeLab65)

/** Below this ΔE00 two colours of steps are too near: several times what is just noticed side by side. */
export const TELLABLE_DELTA = 11

const difference = differenceCiede2000()
const VISIONS: readonly { name: string; seen: (colour: Rgb) => Rgb }[] = [
  { name: 'full colour vision', seen: (colour) => colour },
  { name: 'red-weak sight (protanopia)', seen: inLinearLight(filterDeficiencyProt(1)) },
  { name: 'green-weak sight (deuteranopia)', seen: inLinearLight(filterDeficiencyDeuter(1)) },
  { name: 'blue-weak sight (tritanopia)', seen: inLinearLight(filterDeficiencyTrit(1)) },
]

/** The matrices of the source are for linear light; the library applies them to whatever numbers it is given. */
function inLinearLight(filter: (colour: Rgb) => Rgb): (colour: Rgb) => Rgb {
  const within = (value: number) => Math.min(1, Math.max(0, value))
  return (colour) => {
    const { r, g, b } = lrgb(colour)
    const seen = filter({ mode: 'rgb', r, g, b })
    return rgb({ mode: 'lrgb', r: within(seen.r), g: within(seen.g), b: within(seen.b) })
  }
}

export interface Difference {
  /** ΔE00 for the sight that tells them least. */
  delta: number
  vision: string
}

/** @param a colour as #rrggbb */
export function leastDifference(a: string, b: string): Difference {
  const [first, second] = [sights(a), sights(b)]
  return VISIONS.map(({ name }, index) => ({
    delta: difference(itemAt(first, index), itemAt(second, index)),
    vision: name,
  })).reduce((least, each) => (each.delta < least.delta ? each : least))
}

/**
 * The colour nearest to one that every sight can tell from all of some others.
 *
 * @returns #rrggbb, or undefined where none is left
 */
export function nearestTellable(colour: string, others: readonly string[]): string | undefined {
  const wanted = itemAt(sights(colour), 0)
  return candidates()
    .map((hex) => ({ hex, away: difference(wanted, itemAt(sights(hex), 0)) }))
    .sort((a, b) => a.away - b.away)
    .find(({ hex }) => others.every((other) => leastDifference(hex, other).delta >= TELLABLE_DELTA))?.hex
}

const seenBefore = new Map<string, Lab65[]>()
const MOST_KEPT = 2000

/** A colour as each sight has it. */
function sights(hex: string): Lab65[] {
  const known = seenBefore.get(hex)
  if (known) return known
  const colour = rgb(hex) ?? { mode: 'rgb', r: 0, g: 0, b: 0 }
  const found = VISIONS.map(({ seen }) => lab65(seen(colour)))
  if (seenBefore.size >= MOST_KEPT) seenBefore.clear()
  seenBefore.set(hex, found)
  return found
}

const LEVELS = [0x00, 0x48, 0x80, 0xb0, 0xd8, 0xff]
let grid: string[] | undefined
/** Colours that a light can show, over all three channels; all but the darkest, which a light hardly shows. */
function candidates(): string[] {
  grid ??= LEVELS.flatMap((red) =>
    LEVELS.flatMap((green) =>
      LEVELS.filter((blue) => Math.max(red, green, blue) > 0x80).map((blue) => toHex({ red, green, blue })),
    ),
  )
  return grid
}
