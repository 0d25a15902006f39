import { FIRST_FIRMWARE } from '../base/versions'
import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import { action, lasting } from './action'

/** A key with its modifiers, down as long as its input. */
export const key = action({
  code: 1,
  since: FIRST_FIRMWARE,
  parameters: {
    /** Of the keyboard page. */
    usage: { kind: 'number', as: 'byte', least: 0x04, most: 0xe7 },
    /** Bit 0 left Control … bit 7 right GUI, as in the keyboard report. */
    modifiers: { kind: 'number', as: 'byte', least: 0, most: 0xff, otherwise: 0 },
    /** The number of the shortcut it was bound as; the device presses the keys and looks no further. */
    shortcut: { kind: 'number', as: 'byte', least: 1, most: 0xff, optional: true },
  },
  inDocuments: 'otherwise',
  lasts: lasting,
  start: (chord, reach) => reach.pressKeys(chordUsages(chord)),
  end: (chord, reach) => reach.releaseKeys(chordUsages(chord)),
})

/** Usages of a chord, its modifiers first. */
export function chordUsages({ usage, modifiers }: { usage: number; modifiers: number }): number[] {
  const held = Array.from({ length: 8 }, (_, bit) => FIRST_MODIFIER_USAGE + bit).filter(
    (_, bit) => modifiers & (1 << bit),
  )
  return [...held, usage]
}
