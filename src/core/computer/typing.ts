import { LoweringError } from '../base/refusal'
import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import { keyByCode, keyByUsage } from '../hid/keyboard-page'
import { LAYOUT_IDS, layoutName, layoutOn, SWAPPED_ON_MAC, type LayoutId } from './layouts'
import { typedOn, waysToType, type LayoutStroke } from './layouts/layout'
import type { ComputerSetUp } from './shortcuts'
import { OPERATING_SYSTEMS, SYSTEM_NAMES, type OperatingSystem } from './systems'
import { ALTGR_BIT, SHIFT_BIT, type Stroke } from '../actions/strokes'

/** Modifier bits of the levels of a layout: plain, Shift, AltGr, both. */
const LEVEL_BITS = [0, SHIFT_BIT, ALTGR_BIT, SHIFT_BIT | ALTGR_BIT]

/** Strokes by computer and character: checks, codes and previews ask for the same over and over. */
const known = new Map<string, readonly LayoutStroke[] | undefined>()
/** A text may hold any character there is; what people type is a few hundred. */
const MOST_KNOWN = 20_000

/**
 * The keys that type one character: those that are right on every kind of computer where there are such, otherwise
 * on the one it is for; those that a Mac does not take for others first; then the fewest and the plainest.
 *
 * @returns undefined where nothing types it
 */
export function strokesFor(
  character: string,
  { system, layout }: ComputerSetUp,
): readonly LayoutStroke[] | undefined {
  const key = `${system} ${layout} ${character}`
  if (known.has(key)) return known.get(key)
  const all = OPERATING_SYSTEMS.map((each) => layoutOn(layout, each))
  const own = all.filter((on) => system === undefined || on.system === system)
  const found = own
    .flatMap((on) => waysToType(character, on))
    .map((strokes, order) => ({
      strokes,
      order,
      right: all.filter((on) => typedOn(on, strokes) === character).map((on) => on.system),
      doubtful: isDoubtful(strokes),
      effort: strokes.length * 10 + strokes.reduce((sum, { level }) => sum + level, 0),
    }))
    .filter(({ right }) => own.every((on) => right.includes(on.system)))
  const everywhere = (right: readonly OperatingSystem[]) => Number(right.length === all.length)
  found.sort(
    (a, b) =>
      everywhere(b.right) - everywhere(a.right) ||
      Number(a.doubtful) - Number(b.doubtful) ||
      a.effort - b.effort ||
      a.order - b.order,
  )
  const best = found.at(0)?.strokes
  if (known.size >= MOST_KNOWN) known.clear()
  known.set(key, best)
  return best
}

const isDoubtful = (strokes: readonly LayoutStroke[]): boolean =>
  strokes.some(({ code }) => SWAPPED_ON_MAC.includes(code))

const charactersOf = (text: string): string[] => [...new Set(text.normalize('NFC'))]

/** Characters of a text that such a computer cannot be made to type, each once, in the order they come. */
export const untypable = (text: string, on: ComputerSetUp): string[] =>
  charactersOf(text).filter((character) => !strokesFor(character, on))

/** What a text is typed on, in words; without a system it has to be right on every one. */
export const typedOnText = ({ system, layout }: ComputerSetUp): string =>
  `the ${layoutName(layout)} layout on ${system ? SYSTEM_NAMES[system] : 'every system'}`

/** Layouts, other than its own, that can be made to type a text on the same system. */
export const layoutsFor = (text: string, { system, layout }: ComputerSetUp): LayoutId[] =>
  LAYOUT_IDS.filter((id) => id !== layout && untypable(text, { system, layout: id }).length === 0)

/** Computers a profile could be made for instead, on which a text can be typed: at most two of each kind of change. */
export function computersFor(text: string, on: ComputerSetUp): ComputerSetUp[] {
  const systems =
    on.system === undefined
      ? OPERATING_SYSTEMS.map((system) => ({ ...on, system })).filter(
          (each) => untypable(text, each).length === 0,
        )
      : []
  const layouts = layoutsFor(text, on).map((layout) => ({ ...on, layout }))
  return [...layouts.slice(0, 2), ...systems.slice(0, 2)]
}

/** Why a text cannot be typed, and what would work; undefined where it can. */
export function typingProblem(text: string, on: ComputerSetUp): string | undefined {
  const missing = untypable(text, on)
  if (missing.length === 0) return undefined
  const able = layoutsFor(text, on).slice(0, 2).map(layoutName)
  const own = OPERATING_SYSTEMS.filter((system) => untypable(text, { ...on, system }).length === 0)
  const ways = [
    ...(able.length > 0 ? [`${able.join(' or ')} can`] : []),
    ...(on.system === undefined && own.length > 0
      ? [`it can on ${own.map((each) => SYSTEM_NAMES[each]).join(' or ')} alone`]
      : []),
    'it may be written another way',
  ]
  const [first = '', ...rest] = typedOnText(on)
  return `${first.toUpperCase()}${rest.join('')} cannot type ${missing.slice(0, 5).join(' ')}: ${ways.join('; ')}`
}

/** Characters of a text whose keys type something else on another system, each once. */
export const otherwiseOn = (text: string, on: ComputerSetUp, system: OperatingSystem): string[] =>
  charactersOf(text).filter((character) => {
    const strokes = strokesFor(character, on)
    return strokes && typedOn(layoutOn(on.layout, system), strokes) !== character
  })

/** Characters whose keys a Mac may take one for the other: it depends on what kind of keyboard it was told this is. */
export const doubtfulOnMac = (text: string, on: ComputerSetUp): string[] =>
  on.system === 'macos' || on.system === undefined
    ? charactersOf(text).filter((character) => isDoubtful(strokesFor(character, on) ?? []))
    : []

/**
 * The keys that type a text on such a computer, one after the other.
 *
 * @throws LoweringError for a text with a character it cannot be made to type
 */
export function typeText(text: string, on: ComputerSetUp): Stroke[] {
  return [...text.normalize('NFC')].flatMap((character) => {
    const strokes = strokesFor(character, on)
    if (!strokes) throw new LoweringError(`“${character}” cannot be typed on that layout`)
    return strokes.map(({ code, level }) => tap(code, LEVEL_BITS[level]))
  })
}

/** What a row of keys types on such a computer; waits and chords type nothing. Any system is Windows here. */
export const typedBy = (strokes: readonly Stroke[], { system = 'windows', layout }: ComputerSetUp): string =>
  typedOn(
    layoutOn(layout, system),
    strokes.flatMap((stroke) => {
      const level = stroke.kind === 'tap' ? LEVEL_BITS.indexOf(stroke.modifiers) : -1
      const code = stroke.kind === 'tap' ? keyByUsage(stroke.usage)?.code : undefined
      return code && level >= 0 ? [{ code, level }] : []
    }),
  )

/** One key pressed and let go, with modifiers given as bits or by their codes. */
export function tap(code: string, modifiers: number | readonly string[] = 0): Stroke {
  const bits = typeof modifiers === 'number' ? modifiers : modifierBits(modifiers)
  return { kind: 'tap', usage: keyByCode(code)?.usage ?? 0, modifiers: bits }
}

/** Bits of the modifier byte of a keyboard report, by the codes of the keys. */
export const modifierBits = (codes: readonly string[]): number =>
  codes.reduce((bits, code) => bits | (1 << ((keyByCode(code)?.usage ?? 0) - FIRST_MODIFIER_USAGE)), 0)
