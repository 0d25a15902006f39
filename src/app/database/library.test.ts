import 'fake-indexeddb/auto'
import fc from 'fast-check'
import { beforeEach, describe, expect, it } from 'vitest'
import { itemAt } from '../../core/base/items'
import { tern7 } from '../../core/device/models/tern-7'
import { keyAction } from '../../core/text/context'
import { changesBetween, reverseChanges } from '../../core/edits/changes'
import { bind, renameProfile } from '../../core/edits/edits'
import { factoryProfile } from '../../core/terms/profile'
import { emptyMacro } from '../../core/document/macro'
import { EditConflict, Library, positionsAfterMove } from './library'
import { MacroLibrary, macroChanges } from './macro-library'
import { LibraryDatabase } from './library-database'
import { MAX_VERSIONS, SavedVersions } from './saved-versions'
import type { Profile } from '../../core/document/schema'
import { runs } from '../../core/base/runs.test-support'
import { englishText } from '../../messages/plain'

const DAY_MS = 24 * 3600 * 1000

const profile = factoryProfile(tern7, 'Brinewatch')
const y = bind(profile, tern7, 0, 'side-front', keyAction('KeyY', []))
let database: LibraryDatabase
let library: Library

beforeEach(() => {
  database = new LibraryDatabase(`test ${Math.random()}`)
  library = new Library(database)
})

describe('the library', () => {
  it('sets a broken document aside, with its name and what is wrong, and goes on with the others', async () => {
    await library.add(profile, 0, 1, 'good')
    await database.profiles.add({
      id: 'bad',
      order: 0,
      updatedAt: 1,
      stamp: 1,
      slot: 0,
      document: { ...y, steps: [{ dpi: 'fast' }] },
    })
    await database.profiles.add({ id: 'worse', order: 9, updatedAt: 1, stamp: 1, slot: 0, document: 7 })
    const { entries, quarantined } = await library.contents()
    expect(entries.map(({ id }) => id)).toEqual(['good'])
    expect(quarantined.map(({ id, name }) => [id, name])).toEqual([
      ['bad', 'Brinewatch'],
      ['worse', 'Unnamed record'],
    ])
    expect(itemAt(quarantined, 0).problems.map(englishText).join()).toMatch(/steps\[0\]/)
    expect(await database.profiles.get('bad')).toBeDefined()
  })

  it('lets two tabs edit different places of one profile, and refuses the second at the same setting', async () => {
    await library.add(profile, 0, 1, 'p')
    await library.edit('p', changesBetween(profile, y), 2)
    const both = await library.edit('p', changesBetween(profile, renameProfile(profile, 'Deep')), 3)
    expect(both).toEqual(renameProfile(y, 'Deep'))
    const b = bind(profile, tern7, 0, 'side-front', keyAction('KeyB', []))
    await expect(library.edit('p', changesBetween(profile, b), 4)).rejects.toThrow(EditConflict)
    expect(await library.edit('p', reverseChanges(changesBetween(profile, y)), 5)).toEqual(
      renameProfile(profile, 'Deep'),
    )
  })

  it('moves a profile to any place, also where no room is left, and takes it back', async () => {
    for (const id of ['a', 'b', 'c', 'd']) await library.add(renameProfile(profile, id), 0, 1, id)
    await database.profiles.update('d', { order: undefined as never, stamp: 9 })
    const order = async () => (await library.contents()).entries.map(({ id }) => id)
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3 }), async (from, to) => {
        const before = await order()
        const expected = [...before]
        expected.splice(to, 0, ...expected.splice(from, 1))
        const { entries } = await library.contents()
        const undo = await library.setPlaces(positionsAfterMove(entries, itemAt(before, from), to))
        expect(await order()).toEqual(expected)
        await library.setPlaces(undo)
        expect(await order()).toEqual(before)
        await library.setPlaces(positionsAfterMove(entries, itemAt(before, from), to))
      }),
      runs(150),
    )
  })

  it('keeps a long macro as text, judged beside the page where somebody does that', async () => {
    const events = Array.from({ length: 1001 }, () => ({
      kind: 'key' as const,
      code: 'KeyA',
      does: 'press' as const,
      afterMs: 5,
    }))
    const long = { ...emptyMacro('long', 'Long'), events }
    const macros = new MacroLibrary(database)
    await macros.put([long, emptyMacro('short', 'Short')], 1)
    expect((await database.macros.toArray()).map(({ document }) => typeof document)).toEqual([
      'string',
      'object',
    ])
    await macros.table.edit('long', { changes: macroChanges(long, { ...long, name: 'Longer' }) }, 2)
    await database.macros.put({ id: 'torn', stamp: 1, updatedAt: 1, document: '{"name":' })
    const asked: string[] = []
    const later = new MacroLibrary(database, (_, ids) => {
      asked.push(...ids)
      return Promise.resolve(new Map([['long', 2]]))
    })
    const { macros: kept, quarantined } = await later.contents()
    expect(kept).toEqual([{ ...long, name: 'Longer' }, emptyMacro('short', 'Short')])
    expect(quarantined.map(({ id }) => id)).toEqual(['torn'])
    expect(asked).toEqual(['long', 'torn'])
  })

  it('puts a deleted profile back where it was', async () => {
    await library.add(profile, 3, 1, 'p')
    await library.add(y, 0, 1, 'q')
    const before = await library.contents()
    const rows = await library.remove(['p'])
    expect((await library.contents()).entries.length).toBe(1)
    await library.restoreDeleted(rows)
    expect((await library.contents()).entries).toEqual(before.entries)
  })

  it('keeps deleted profiles for thirty days, their earlier states with them', async () => {
    const states = new SavedVersions(library.database)
    await library.add(profile, 3, 1, 'p')
    await states.keep('p', y, { why: 'kept', words: 'Sunday', now: 5 })
    await library.remove(['p', 'nobody'])
    const { deletedAt, row } = itemAt(await library.binned(Date.now()), 0)
    expect(row.document).toEqual(profile)
    expect(await library.binned(deletedAt + 29 * DAY_MS)).toHaveLength(1)
    expect(await states.of('p')).toHaveLength(1)
    expect(await library.binned(deletedAt + 31 * DAY_MS)).toEqual([])
    expect(await states.of('p')).toEqual([])
  })

  it('takes out none of several where one cannot go into the bin, and still knows all', async () => {
    await library.add(profile, 3, 1, 'p')
    await library.add(y, 0, 1, 'q')
    const before = await library.contents()
    library.database.bin.hook('creating', (id) => {
      if (id === 'q') throw new Error('the disk is full')
    })
    await expect(library.remove(['p', 'q'])).rejects.toThrow(/disk is full/)
    expect(library.profiles.now().kept.map(({ id }) => id)).toEqual(['p', 'q'])
    expect((await library.contents()).entries).toEqual(before.entries)
  })

  it('keeps earlier states in a bounded number, those with a name of their own the longest', async () => {
    const states = new SavedVersions(library.database)
    const named = (count: number): Profile => ({ ...profile, name: `State ${count}` })
    await states.keep('p', named(0), { why: 'kept', words: 'Mine', now: 1 })
    for (let count = 1; count <= MAX_VERSIONS + 5; count++)
      await states.keep('p', named(count), { why: 'day', words: '', now: 1 + count })
    await states.keep('other', named(0), { why: 'day', words: '', now: 1 })
    const kept = await states.of('p')
    expect(kept).toHaveLength(MAX_VERSIONS)
    expect(kept[0]).toMatchObject({ document: { name: `State ${MAX_VERSIONS + 5}` } })
    expect(kept.at(-1)).toMatchObject({ why: 'kept', words: 'Mine' })
    // Saving the same state again updates its reason; with a name it becomes a separate version.
    await states.keep('p', named(MAX_VERSIONS + 5), { why: 'written', words: 'slot 2', now: 99 })
    expect(await states.of('p')).toHaveLength(MAX_VERSIONS)
    expect((await states.of('p'))[0]).toMatchObject({ why: 'written', words: 'slot 2', at: 99 })
    await library.database.states.update(itemAt(kept, 1).id, { document: { name: 'torn' } })
    expect((await states.of('p'))[1]).toHaveProperty('problems')
  })

  it('fills the demo once, whole or not at all', async () => {
    const fill = async () => void (await library.add(profile, 0, 1))
    await expect(
      library.once('demo', async () => {
        await fill()
        throw new Error('half way')
      }),
    ).rejects.toThrow('half way')
    expect((await library.contents()).entries.length).toBe(0)
    await Promise.all([library.once('demo', fill), library.once('demo', fill)])
    expect((await library.contents()).entries.length).toBe(1)
  })
})
