import { FIRST_FIRMWARE } from '../base/versions'
import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import { defineAction, lasting } from './action'

/** A key with its modifiers, pressed as long as its input. */
export const key = defineAction({
  code: 1,
  since: FIRST_FIRMWARE,
  parameters: {
    /** On the keyboard page. */
    usage: { kind: 'number', as: 'byte', min: 0x04, max: 0xe7 },
    /** Bit 0 left Control … bit 7 right GUI, as in the keyboard report. */
    modifiers: { kind: 'number', as: 'byte', min: 0, max: 0xff, default: 0 },
    /** The number of the shortcut it was bound as. The device only presses the keys. */
    shortcut: { kind: 'number', as: 'byte', min: 1, max: 0xff, optional: true },
  },
  inDocuments: 'otherwise',
  lasts: lasting,
  start: (chord, reach) => reach.pressKeys(chordUsages(chord)),
  end: (chord, reach) => reach.releaseKeys(chordUsages(chord)),
})

/** Usages of a chord, modifiers first. */
export function chordUsages({ usage, modifiers }: { usage: number; modifiers: number }): number[] {
  const held = Array.from({ length: 8 }, (_, bit) => FIRST_MODIFIER_USAGE + bit).filter(
    (_, bit) => modifiers & (1 << bit),
  )
  return [...held, usage]
}
