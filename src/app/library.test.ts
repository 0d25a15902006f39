import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it } from 'vitest'
import { tern7 } from '../core/device/models/tern-7'
import { keyAction } from '../core/profile/action-text'
import { changesBetween, reversed } from '../core/profile/changes'
import { bind, rename } from '../core/profile/edits'
import { factoryProfile } from '../core/profile/profile'
import { EditConflict, Library } from './library'
import { LibraryDatabase } from './library-database'

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
    const { entries, setAside } = await library.contents()
    expect(entries.map(({ id }) => id)).toEqual(['good'])
    expect(setAside.map(({ id, name }) => [id, name])).toEqual([
      ['bad', 'Brinewatch'],
      ['worse', 'a profile without a name'],
    ])
    expect(setAside[0].problems.join()).toMatch(/steps\[0\]/)
    expect(await database.profiles.get('bad')).toBeDefined()
  })

  it('lets two tabs edit different places of one profile, and refuses the second at the same place', async () => {
    await library.add(profile, 0, 1, 'p')
    await library.edit('p', changesBetween(profile, y), 2)
    const both = await library.edit('p', changesBetween(profile, rename(profile, 'Deep')), 3)
    expect(both).toEqual(rename(y, 'Deep'))
    const b = bind(profile, tern7, 0, 'side-front', keyAction('KeyB', []))
    await expect(library.edit('p', changesBetween(profile, b), 4)).rejects.toThrow(EditConflict)
    expect(await library.edit('p', reversed(changesBetween(profile, y)), 5)).toEqual(rename(profile, 'Deep'))
  })

  it('puts a deleted profile back where it was', async () => {
    await library.add(profile, 3, 1, 'p')
    await library.add(y, 0, 1, 'q')
    const before = await library.contents()
    const row = await library.remove('p')
    expect((await library.contents()).entries.length).toBe(1)
    if (row) await library.putBack(row)
    expect((await library.contents()).entries).toEqual(before.entries)
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
