import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { itemAt } from '../../core/base/items'
import { tern7 } from '../../core/device/models/tern-7'
import { compileProfile } from '../../core/compile/compile'
import { renameMacro, setDelay } from '../../core/edits/macro-edits'
import { emptyMacro, shelfOf, type Macro, type MacroEvent } from '../../core/document/macro'
import { bind } from '../../core/edits/edits'
import { factoryProfile } from '../../core/terms/profile'
import { LibraryDatabase } from '../database/library-database'
import { macroChanges, MacroLibrary } from '../database/macro-library'
import { useLibrary } from './library'
import { useMacroEditor } from './macro-editor'
import { useMacros } from './macros'
import { useNotifications } from './notifications'

const press: MacroEvent = { kind: 'key', code: 'KeyS', does: 'press', afterMs: 0 }
const sweep: Macro = {
  ...emptyMacro('sweep', 'Sweep'),
  events: [press, { ...press, does: 'release', afterMs: 40 }],
}
const played = bind(factoryProfile(tern7, 'Brinewatch'), tern7, 0, 'side-front', {
  kind: 'macro',
  macro: 'sweep',
  play: 'held',
  gapMs: 0,
  again: 'ignore',
  others: 'go-on',
})

beforeEach(async () => {
  await Dexie.delete('unisera-library')
  setActivePinia(createPinia())
})

async function opened() {
  const macros = useMacros()
  await macros.stored.put([sweep], 1)
  await vi.waitFor(() => expect(macros.list).toEqual([sweep]))
  const editor = useMacroEditor()
  editor.open('sweep')
  await nextTick()
  const delay = (ms: number, gesture?: string) =>
    editor.editEvents(['delay', { event: 2 }], (events) => setDelay(events, 1, ms), gesture)
  const stored = async () => itemAt((await macros.stored.contents()).macros, 0)
  const storedDelay = async () => itemAt((await stored()).events, 1).afterMs
  return { macros, editor, delay, stored, storedDelay, notices: useNotifications() }
}

describe('the macro editor', () => {
  it('stores edits, takes a gesture back as one, and keeps nothing of what it refuses', async () => {
    const { editor, delay, storedDelay } = await opened()
    for (const ms of [41, 42, 43]) delay(ms, 'drag 1')
    delay(60)
    await vi.waitFor(async () => expect(await storedDelay()).toBe(60))
    expect(delay(-1)).toMatch(/Enter a whole number of ms/)
    editor.undo()
    expect(itemAt(editor.macro?.events, 1).afterMs).toBe(43)
    editor.undo()
    await vi.waitFor(async () => expect(await storedDelay()).toBe(40))
    expect(editor.past).toEqual([])
    editor.redo()
    editor.redo()
    await vi.waitFor(async () => expect(await storedDelay()).toBe(60))
  })

  it('shows each edit once while others wait behind it: what is put in is never seen twice', async () => {
    const { editor, stored } = await opened()
    const count = () => editor.macro?.events.length ?? 0
    const beep: MacroEvent = { kind: 'wheel', detents: 1, sideways: 0, afterMs: 5 }
    const seen = new Set<number>()
    editor.editEvents(['insert-events', { what: 'a turn' }], (events) => [...events, beep])
    editor.editEvents(['insert-events', { what: 'a turn' }], (events) => [...events, beep])
    editor.editEvents(['remove-events', { events: 1 }], (events) => events.slice(0, 2))
    const due = count()
    await vi.waitFor(async () => {
      seen.add(count())
      expect((await stored()).events).toHaveLength(2)
    })
    expect([due, ...seen]).toEqual([2, 2])
  })

  it('shows what another tab stored, and does not write over it', async () => {
    const { editor, delay, stored, storedDelay, notices } = await opened()
    const database = new LibraryDatabase()
    await database.open()
    const elsewhere = new MacroLibrary(database)
    const macro = await stored()
    const theirs = renameMacro({ ...macro, events: setDelay(macro.events, 1, 70) }, 'Wide sweep')
    const made = elsewhere.table.edit('sweep', { changes: macroChanges(macro, theirs) }, Date.now())
    delay(99)
    await made
    await vi.waitFor(() =>
      expect(notices.current?.text).toMatch(
        /“change the delay before event 2” was not saved: .* changed in another tab/,
      ),
    )
    await vi.waitFor(() => expect(editor.macro?.name).toBe('Wide sweep'))
    expect(await storedDelay()).toBe(70)
    expect(editor.past).toEqual([])
  })

  it('sets aside what is no macro, and leaves it as it is', async () => {
    const { macros } = await opened()
    await useLibrary().library.database.macros.put({
      id: 'x',
      updatedAt: 2,
      stamp: 2,
      document: { name: 'Rubbish' },
    })
    await vi.waitFor(() => expect(macros.quarantined).toMatchObject([{ id: 'x', name: 'Rubbish' }]))
    expect(macros.list).toEqual([sweep])
  })
})

describe('macros that a device holds', () => {
  it('are those of the library where their code is the same, and can be taken into it where not', async () => {
    const { macros } = await opened()
    const { bytes } = compileProfile(played, tern7, shelfOf([sweep]))
    macros.read('a slot', bytes)
    expect([...macros.wholeShelf.keys()]).toEqual(['sweep'])
    await macros.remove(sweep)
    await vi.waitFor(() => expect(macros.list).toEqual([]))
    macros.read('a slot', bytes)
    const held = itemAt([...macros.wholeShelf.values()], 0)
    expect(held).toMatchObject({ name: 'Sweep', events: sweep.events })
    await macros.adopt([held.id])
    await vi.waitFor(() => expect(macros.list).toEqual([held]))
  })

  it('know which profiles play them', async () => {
    const { macros } = await opened()
    await useLibrary().library.add(played, 0, 1, 'p')
    await vi.waitFor(() =>
      expect(macros.uses.get('sweep')).toEqual([{ name: 'Brinewatch', to: '/profile/p/buttons' }]),
    )
  })
})
