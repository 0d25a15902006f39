import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { useNotifications } from './notifications'
import { readPreferences, usePreferences, DEFAULT_PREFERENCES } from './preferences'
import { useStorageCare } from './storage-care'

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
    expect(readPreferences({})).toEqual(DEFAULT_PREFERENCES)
    expect(
      readPreferences({
        lengths: 'inches',
        start: 'nowhere',
        layout: 'xx',
        system: 'linux',
        notices: { battery: 1 },
      }),
    ).toEqual({ ...DEFAULT_PREFERENCES, lengths: 'inches', system: 'linux' })
    expect(
      readPreferences({ toSystem: 'yes', notices: { ...DEFAULT_PREFERENCES.notices, battery: false } }),
    ).toEqual({
      ...DEFAULT_PREFERENCES,
      notices: { ...DEFAULT_PREFERENCES.notices, battery: false },
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
    const notices = useNotifications()
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
    const [care, notices] = [useStorageCare(), useNotifications()]
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
