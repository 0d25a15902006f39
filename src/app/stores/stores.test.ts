import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { tern7 } from '../../core/device/models/tern-7'
import { keyAction } from '../../core/profile/action-text'
import { bind, rename } from '../../core/profile/edits'
import { setStep } from '../../core/profile/motion-edits'
import { factoryProfile } from '../../core/profile/profile'
import { useEditor } from './editor'
import { profileFile, useLibrary } from './library'
import { useNotices } from './notices'

const profile = factoryProfile(tern7, 'Brinewatch')
const key = (code: string) => keyAction(code, [])

beforeEach(async () => {
  await Dexie.delete('unisera-library')
  setActivePinia(createPinia())
})
afterEach(() => vi.restoreAllMocks())

/** The editor with a profile of the library open in it. */
async function opened() {
  const library = useLibrary()
  await library.library.add(profile, 0, 1, 'p')
  await vi.waitFor(() => expect(library.entry('p')).toBeDefined())
  const editor = useEditor()
  editor.open('p')
  await nextTick()
  const stored = async () => (await library.library.contents()).entries.find(({ id }) => id === 'p')?.profile
  const bound = (code: string) =>
    editor.edit(`bind ${code}`, (now) => bind(now, tern7, 0, 'side-front', key(code)))
  return { library, editor, stored, bound, notices: useNotices() }
}

describe('the editor', () => {
  it('shows an edit at once, stores it, takes it back and makes it again', async () => {
    const { editor, stored, bound } = await opened()
    expect(bound('KeyY')).toBeUndefined()
    const edited = bind(profile, tern7, 0, 'side-front', key('KeyY'))
    expect(editor.profile).toEqual(edited)
    await vi.waitFor(async () => expect(await stored()).toEqual(edited))
    editor.undo()
    await vi.waitFor(() => expect(editor.profile).toEqual(profile))
    expect(await stored()).toEqual(profile)
    editor.redo()
    await vi.waitFor(() => expect(editor.profile).toEqual(edited))
    expect([editor.past.length, editor.future.length]).toEqual([1, 0])
  })

  it('gives the reason for what it refuses, and keeps no trace of it', async () => {
    const { editor } = await opened()
    expect(editor.edit('lose the click', (now) => bind(now, tern7, 0, 'left', key('KeyY')))).toMatch(
      /only left click/,
    )
    expect(editor.profile).toEqual(profile)
    expect(editor.past).toEqual([])
    expect(editor.edit('the same', (now) => ({ ...now }))).toBeUndefined()
    expect(editor.past).toEqual([])
  })

  it('takes back a whole drag at once, and two drags one after the other', async () => {
    const { editor } = await opened()
    const drag = (dpi: number, gesture: string) =>
      editor.edit(`${dpi}`, (now) => setStep(now, tern7, 0, { dpi }), gesture)
    for (const dpi of [450, 500, 550, 600]) drag(dpi, 'first')
    for (const dpi of [650, 700]) drag(dpi, 'second')
    expect(editor.past.length).toBe(2)
    await vi.waitFor(() => expect(editor.entry?.profile.steps[0].dpi).toBe(700))
    editor.undo()
    await vi.waitFor(() => expect(editor.profile?.steps[0].dpi).toBe(600))
    editor.undo()
    await vi.waitFor(() => expect(editor.profile).toEqual(profile))
  })

  it('drops what could be done again when something else is done', async () => {
    const { editor, bound } = await opened()
    bound('KeyA')
    await vi.waitFor(() => expect(editor.entry?.profile).toEqual(editor.profile))
    editor.undo()
    await vi.waitFor(() => expect(editor.profile).toEqual(profile))
    expect(editor.future.length).toBe(1)
    bound('KeyB')
    expect(editor.future).toEqual([])
  })

  it('takes up what another tab stored, and does not undo over it', async () => {
    const { library, editor, bound, notices } = await opened()
    bound('KeyA')
    await vi.waitFor(() => expect(editor.entry?.profile).toEqual(editor.profile))
    const before = editor.profile ?? profile
    const { changesBetween } = await import('../../core/profile/changes')
    const elsewhere = rename(bind(before, tern7, 0, 'side-front', key('KeyZ')), 'Elsewhere')
    await library.library.edit('p', changesBetween(before, elsewhere), 5)
    await vi.waitFor(() => expect(editor.profile).toEqual(elsewhere))
    editor.undo()
    await vi.waitFor(() => expect(notices.current?.text).toMatch(/changed in another tab/))
    expect(editor.profile).toEqual(elsewhere)
  })

  it('keeps an edit that could not be stored, says so, and stores it when there is room', async () => {
    const { editor, stored, bound, notices } = await opened()
    const full = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('no room', 'QuotaExceededError')
    })
    bound('KeyY')
    await vi.waitFor(() => expect(editor.unsaved).toBe(true))
    expect(notices.current).toMatchObject({
      tone: 'trouble',
      text: expect.stringMatching(/still in this tab/),
    })
    const edited = bind(profile, tern7, 0, 'side-front', key('KeyY'))
    expect(editor.profile).toEqual(edited)
    expect(await stored()).toEqual(profile)
    full.mockRestore()
    notices.current?.action?.act()
    await vi.waitFor(() => expect(editor.unsaved).toBe(false))
    expect(await stored()).toEqual(edited)
  })

  it('says what happened when the open profile is deleted elsewhere', async () => {
    const { library, editor, bound, notices } = await opened()
    await library.library.remove('p')
    bound('KeyY')
    await vi.waitFor(() => expect(notices.current?.text).toMatch(/deleted in another tab/))
    expect(editor.profile).toBeUndefined()
  })
})

describe('the library store', () => {
  it('gives every copy a name of its own that still fits the device', async () => {
    const { library } = await opened()
    const long = 'ü'.repeat(30)
    await library.library.add(rename(profile, long), 0, 1, 'long')
    await vi.waitFor(() => expect(library.entries.length).toBe(2))
    for (const id of ['p', 'long', 'p']) {
      const source = library.entry(id)
      const count = library.entries.length
      if (source) await library.duplicate(source)
      await vi.waitFor(() => expect(library.entries.length).toBe(count + 1))
    }
    const names = library.entries.map((entry) => entry.profile.name)
    expect(names).toEqual(['Brinewatch', long, 'Brinewatch 2', `${'ü'.repeat(29)} 2`, 'Brinewatch 3'])
  })

  it('deletes with a way back', async () => {
    const { library, notices } = await opened()
    await library.remove({ id: 'p', name: 'Brinewatch' })
    await vi.waitFor(() => expect(library.entries).toEqual([]))
    expect(notices.current?.action?.label).toBe('Undo')
    notices.current?.action?.act()
    await vi.waitFor(() => expect(library.entry('p')?.profile).toEqual(profile))
  })

  it('names files after their profiles, whatever the name', () => {
    expect(profileFile(rename(profile, 'Gantry Run')).name).toBe('gantry-run.json')
    expect(profileFile(rename(profile, '../../ Tüte / x')).name).toBe('tüte-x.json')
    expect(profileFile(rename(profile, '///')).name).toBe('profile.json')
    expect(JSON.parse(profileFile(profile).content)).toEqual(profile)
  })
})
