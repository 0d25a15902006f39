import { describe, expect, it } from 'vitest'
import { describeChange, type NoteNames } from './screen-notes'

type Seen = Parameters<typeof describeChange>[0]
const seen: Seen = {
  step: 1,
  dpi: 800,
  stepHeld: false,
  slot: 1,
  layers: [],
  rateHz: 1000,
  light: { dark: false, alone: 0, percent: 100 },
  pairing: false,
} as Seen
const names: NoteNames = {
  steps: [{ name: 'Calm', colour: '#ff0000' }, { colour: '#00ff00' }],
  layers: [{ name: 'Base' }, { name: 'Dive' }],
}
const note = (by: Partial<Seen>, before: Partial<Seen> = {}, known = names) =>
  describeChange({ ...seen, ...before }, { ...seen, ...by }, known)

describe('the note on the screen', () => {
  it.each<[string, Partial<Seen>, Partial<Seen>, string]>([
    ['a step with a name', { step: 1, dpi: 400 }, { step: 2 }, 'Step 1, Calm: 400 DPI'],
    ['a step without one', { step: 2, dpi: 1600, dpiY: 800 }, {}, 'Step 2: 1600 × 800 DPI'],
    ['a step that is held', { stepHeld: true, dpi: 200 }, {}, 'Hold step: 200 DPI'],
    ['a held step that was let go', {}, { stepHeld: true, dpi: 200 }, 'Step 1, Calm: 800 DPI'],
    ['another slot, whatever else changed with it', { slot: 3, step: 2, rateHz: 500 }, {}, 'Slot 3'],
    ['a layer with a name, over one without', { layers: [1, 4] }, {}, 'Layer Dive over 4'],
    ['the base layer again', {}, { layers: [1] }, 'Base layer'],
    ['another rate', { rateHz: 500 }, {}, 'Polling 500 Hz'],
    ['pairing', { pairing: true }, {}, 'Pairing…'],
    ['pairing that ended', {}, { pairing: true }, 'Pairing ended'],
    ['lights off', { light: { ...seen.light, dark: true } }, {}, 'Lights off'],
    ['lights on', {}, { light: { ...seen.light, dark: true } }, 'Lights on'],
    ['one effect alone', { light: { ...seen.light, alone: 2 } }, {}, 'Light: only effect 2'],
    ['all effects again', {}, { light: { ...seen.light, alone: 2 } }, 'Light: all effects'],
    ['brightness', { light: { ...seen.light, percent: 60 } }, {}, 'Brightness 60%'],
  ])('tells %s', (_, now, before, text) => {
    expect(note(now, before)?.text).toBe(text)
  })

  it('has the colour of the step, and says nothing where no changes or a device was just connected', () => {
    expect(note({ step: 2 })?.colour).toBe('#00ff00')
    expect(note({ step: 2 }, {}, {})).toEqual({ text: 'Step 2: 800 DPI' })
    expect(note({})).toBeUndefined()
    expect(note({}, { rateHz: 0 })).toBeUndefined()
    expect(note({ rateHz: 0 })).toBeUndefined()
  })
})
