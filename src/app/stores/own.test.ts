import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { tern7 } from '../../core/device/models/tern-7'
import { titleOf, type KnownDevice } from './known-device'
import { useNotices } from './notices'
import { readPreferences, usePreferences, USUAL } from './preferences'
import { useStorageCare } from './storage-care'
import { noteBetween } from '../../look/screen-notes'
import { NOTHING_IN_FORCE } from '../../firmware/in-force'

beforeEach(() => {
  const kept = new Map<string, string>()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  })
  vi.stubGlobal('document', { hidden: false })
  setActivePinia(createPinia())
})

describe('preferences', () => {
  it('are what was kept, and of what cannot be read as they were made, each for itself', () => {
    expect(readPreferences({})).toEqual(USUAL)
    expect(
      readPreferences({
        lengths: 'inches',
        start: 'nowhere',
        layout: 'xx',
        system: 'linux',
        notices: { battery: 1 },
      }),
    ).toEqual({ ...USUAL, lengths: 'inches', system: 'linux' })
    expect(readPreferences({ toSystem: 'yes', notices: { ...USUAL.notices, battery: false } })).toEqual({
      ...USUAL,
      notices: { ...USUAL.notices, battery: false },
    })
  })

  it('say which computer a new profile is for, and none where that is open', () => {
    const preferences = usePreferences()
    expect(preferences.computer).toEqual({ layout: 'us' })
    preferences.set('system', 'macos')
    preferences.set('layout', 'fr')
    expect(preferences.computer).toEqual({ system: 'macos', layout: 'fr' })
  })
})

describe('what comes by itself', () => {
  it('is kept in any case, and shown unless it was switched off or something else can be done there', () => {
    const notices = useNotices()
    const preferences = usePreferences()
    notices.tell('slot', 'Slot 2')
    expect(notices.current?.text).toBe('Slot 2')
    notices.say('Deleted', { label: 'Undo', act: () => {} })
    notices.tell('slot', 'Slot 3')
    expect(notices.current?.text).toBe('Deleted')
    notices.dismiss()
    preferences.set('notices', { ...preferences.now.notices, slot: false })
    notices.tell('slot', 'Slot 4')
    notices.tell('firmware', '1.1.0', { quiet: true })
    expect(notices.current).toBeUndefined()
    expect(notices.said.map(({ text }) => text)).toEqual(['Slot 2', 'Deleted', 'Slot 3', 'Slot 4', '1.1.0'])
  })

  it('tells once that room runs out, and again after there was more', async () => {
    const free = { quota: 100 << 20, usage: 90 << 20 }
    vi.stubGlobal('navigator', { storage: { persisted: async () => true, estimate: async () => free } })
    const [care, notices] = [useStorageCare(), useNotices()]
    const told = () => notices.said.length
    await care.lookAtRoom()
    await care.lookAtRoom()
    expect(told()).toBe(1)
    free.usage = 10 << 20
    await care.lookAtRoom()
    expect(notices.current).toBeUndefined()
    free.usage = 95 << 20
    await care.lookAtRoom()
    expect(told()).toBe(2)
  })
})

it('a device is called by its name, else by its model, and by its serial among several of that', () => {
  const device = (id: string, name: string, serial: number) =>
    ({ id, name, model: tern7, info: { serial } }) as KnownDevice
  const [one, two, named] = [device('1', '', 0x7e41), device('2', '', 0x7e42), device('3', 'Bag', 0x7e43)]
  expect([one, named].map((each) => titleOf(each, [one, named]))).toEqual(['Tern 7', 'Bag'])
  expect([one, two].map((each) => titleOf(each, [one, two, named]))).toEqual(['Tern 7 7E41', 'Tern 7 7E42'])
})

it('a note says what changed on a device, by the names a profile has for it where there is one', () => {
  const rest = { ...NOTHING_IN_FORCE, step: 1, dpi: 800, slot: 1, rateHz: 1000 }
  const note = (change: Partial<typeof rest>, names = {}) => noteBetween(rest, { ...rest, ...change }, names)
  expect(note({})).toBeUndefined()
  expect(note({ step: 2, dpi: 1600 })).toEqual({ text: 'Step 2: 1600 DPI' })
  expect(
    note(
      { step: 2, dpi: 1600, dpiY: 900 },
      { steps: [{ colour: '#111111' }, { name: 'Aim', colour: '#00ff00' }] },
    ),
  ).toEqual({
    text: 'Step 2, Aim: 1600 × 900 DPI',
    colour: '#00ff00',
  })
  expect(note({ stepHeld: true, dpi: 400 })).toEqual({ text: 'Held: 400 DPI' })
  expect(note({ slot: 3, step: 2 })).toEqual({ text: 'Slot 3' })
  expect(note({ layers: [2, 1] }, { layers: [{ name: 'Base' }, { name: 'Dive' }] })).toEqual({
    text: 'Layer 2 over Dive',
  })
  expect(noteBetween({ ...rest, layers: [1] }, rest)).toEqual({ text: 'Base layer' })
  expect(note({ rateHz: 125 })).toEqual({ text: 'Polling 125 Hz' })
  expect(noteBetween({ ...rest, rateHz: 0 }, rest)).toBeUndefined()
  const light = { percent: 100, dark: false, alone: 0 }
  expect(note({ light: { ...light, dark: true } })).toEqual({ text: 'Lights off' })
  expect(note({ light: { ...light, alone: 2 } })).toEqual({ text: 'Light: effect 2 alone' })
  expect(note({ light: { ...light, percent: 70 } })).toEqual({ text: 'Brightness 70 %' })
  expect(note({ pairing: true })).toEqual({ text: 'Looks for one to pair with' })
})
