import { FIRST_MODIFIER_USAGE } from '../core/hid/modifiers'

/** Usages of a chord, its modifiers first. */
export function chordUsages({ usage, modifiers }: { usage: number; modifiers: number }): number[] {
  const held = Array.from({ length: 8 }, (_, bit) => FIRST_MODIFIER_USAGE + bit).filter(
    (_, bit) => modifiers & (1 << bit),
  )
  return [...held, usage]
}
