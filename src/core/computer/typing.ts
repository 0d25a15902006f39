import { LoweringError } from '../base/errors'
import { factList, message, type Message, type MessageFact } from '../message/message'
import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import { keyByCode, keyByUsage } from '../hid/keyboard-page'
import { LAYOUT_IDS, layoutName, layoutFor, SWAPPED_ON_MAC, type LayoutId } from './layouts'
import { typedOn, waysToType, type LayoutStroke } from './layouts/layout'
import type { TargetComputer } from './shortcuts'
import { OPERATING_SYSTEMS, OPERATING_SYSTEM_NAMES, type OperatingSystem } from './operating-systems'
import { ALTGR_BIT, SHIFT_BIT, type Stroke } from '../actions/strokes'

/** Modifier bits of the levels of a layout: plain, Shift, AltGr, both. */
const LEVEL_BITS = [0, SHIFT_BIT, ALTGR_BIT, SHIFT_BIT | ALTGR_BIT]

/** Cached strokes by computer and character: checks, codes and previews request the same repeatedly. */
const known = new Map<string, readonly LayoutStroke[] | undefined>()
/** Limits the cache: a text can have any character, but people use a few hundred. */
const MAX_KNOWN = 20_000

/**
 * The keys that type one character. Keys that are right on every computer come first, then those for the profile's
 * computer, then those a Mac cannot confuse, then the fewest and simplest.
 *
 * @returns undefined if no key types it
 */
export function strokesFor(
  character: string,
  { system, layout }: TargetComputer,
): readonly LayoutStroke[] | undefined {
  const key = `${system} ${layout} ${character}`
  if (known.has(key)) return known.get(key)
  const all = OPERATING_SYSTEMS.map((each) => layoutFor(layout, each))
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
  if (known.size >= MAX_KNOWN) known.clear()
  known.set(key, best)
  return best
}

const isDoubtful = (strokes: readonly LayoutStroke[]): boolean =>
  strokes.some(({ code }) => SWAPPED_ON_MAC.includes(code))

const charactersOf = (text: string): string[] => [...new Set(text.normalize('NFC'))]

/** Characters of a text that such a computer cannot type, each once, in their order. */
export const untypableCharacters = (text: string, on: TargetComputer): string[] =>
  charactersOf(text).filter((character) => !strokesFor(character, on))

/** The keyboard for a text; without an operating system, the text must be right on every one. */
export const computerNames = ({
  system,
  layout,
}: TargetComputer): { layout: MessageFact; system: MessageFact } => ({
  layout: layoutName(layout),
  system: system ? OPERATING_SYSTEM_NAMES[system] : message('checks.anyOperatingSystem'),
})

/** Other layouts that can type a text on the same system. */
export const layoutsFor = (text: string, { system, layout }: TargetComputer): LayoutId[] =>
  LAYOUT_IDS.filter((id) => id !== layout && untypableCharacters(text, { system, layout: id }).length === 0)

/** Alternative computers that can type a text: at most two for each kind of change. */
export function computersFor(text: string, on: TargetComputer): TargetComputer[] {
  const systems =
    on.system === undefined
      ? OPERATING_SYSTEMS.map((system) => ({ ...on, system })).filter(
          (each) => untypableCharacters(text, each).length === 0,
        )
      : []
  const layouts = layoutsFor(text, on).map((layout) => ({ ...on, layout }))
  return [...layouts.slice(0, 2), ...systems.slice(0, 2)]
}

/** Why a text cannot be typed, and what would work; undefined if it can. */
export function typingProblem(text: string, on: TargetComputer): Message | undefined {
  const missing = untypableCharacters(text, on)
  if (missing.length === 0) return undefined
  const layouts = layoutsFor(text, on).slice(0, 2).map(layoutName)
  const systems =
    on.system === undefined
      ? OPERATING_SYSTEMS.filter((system) => untypableCharacters(text, { ...on, system }).length === 0)
      : []
  const facts = {
    keyboard: message('checks.keyboard', computerNames(on)),
    characters: missing.slice(0, 5).join(' '),
  }
  const names = systems.map((each) => OPERATING_SYSTEM_NAMES[each])
  if (layouts.length > 0 && names.length > 0)
    return message('checks.typeOnLayoutOrSystem', {
      ...facts,
      layouts: factList(layouts, 'or'),
      systems: factList(names, 'or'),
    })
  if (layouts.length > 0)
    return message('checks.typeOnLayout', { ...facts, layouts: factList(layouts, 'or') })
  if (names.length > 0) return message('checks.typeOnSystem', { ...facts, systems: factList(names, 'or') })
  return message('checks.typeOtherwise', facts)
}

/** Characters of a text whose keys type something else on another system, each once. */
export const differentlyTypedOn = (text: string, on: TargetComputer, system: OperatingSystem): string[] =>
  charactersOf(text).filter((character) => {
    const strokes = strokesFor(character, on)
    return strokes && typedOn(layoutFor(on.layout, system), strokes) !== character
  })

/** Characters whose keys a Mac may swap, depending on the keyboard type it was told. */
export const uncertainOnMac = (text: string, on: TargetComputer): string[] =>
  on.system === 'macos' || on.system === undefined
    ? charactersOf(text).filter((character) => isDoubtful(strokesFor(character, on) ?? []))
    : []

/**
 * The keys that type a text on such a computer, in sequence.
 *
 * @throws LoweringError for a text with a character that cannot be typed
 */
export function typeText(text: string, on: TargetComputer): Stroke[] {
  return [...text.normalize('NFC')].flatMap((character) => {
    const strokes = strokesFor(character, on)
    if (!strokes) throw new LoweringError(message('checks.cannotBeTyped', { character }))
    return strokes.map(({ code, level }) => tap(code, LEVEL_BITS[level]))
  })
}

/**
 * The text of a sequence of keys on such a computer; delays and chords type nothing. Without a system, Windows is
 * assumed.
 */
export const textOfStrokes = (
  strokes: readonly Stroke[],
  { system = 'windows', layout }: TargetComputer,
): string =>
  typedOn(
    layoutFor(layout, system),
    strokes.flatMap((stroke) => {
      const level = stroke.kind === 'tap' ? LEVEL_BITS.indexOf(stroke.modifiers) : -1
      const code = stroke.kind === 'tap' ? keyByUsage(stroke.usage)?.code : undefined
      return code && level >= 0 ? [{ code, level }] : []
    }),
  )

/** One pressed and released key, with modifiers as bits or as codes. */
export function tap(code: string, modifiers: number | readonly string[] = 0): Stroke {
  const bits = typeof modifiers === 'number' ? modifiers : modifierBits(modifiers)
  return { kind: 'tap', usage: keyByCode(code)?.usage ?? 0, modifiers: bits }
}

/** Bits of the modifier byte of a keyboard report, by the codes of the keys. */
export const modifierBits = (codes: readonly string[]): number =>
  codes.reduce((bits, code) => bits | (1 << ((keyByCode(code)?.usage ?? 0) - FIRST_MODIFIER_USAGE)), 0)
