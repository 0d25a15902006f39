import fc from 'fast-check'
import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { ProfileError } from '../base/errors'
import { tern7 } from '../device/models/tern-7'
import { renameProfile } from '../edits/edits'
import { emptyProgram } from '../document/program'
import { newPalette } from '../document/palette'
import { emptyMacro } from '../document/macro'
import { factoryProfile } from '../terms/profile'
import type { ArchivedState, LibraryFile } from '../files/library-file'
import { packArchive, readArchive } from './archive'
import { unzip } from './zip'
import { runs } from '../base/runs.test-support'
import { inEnglish } from '../../messages/english.test-support'

const profile = factoryProfile(tern7, 'Salvage / run')
const library: LibraryFile = {
  format: 'unisera-library',
  version: 1,
  profiles: [
    { slot: 2, profile },
    { slot: 0, profile: renameProfile(profile, 'Gantry') },
  ],
  macros: [emptyMacro('winch', 'Winch')],
  sessions: [],
  palettes: [newPalette('Deep water', ['#021a2e', '#0c6f8a'])],
  programs: [emptyProgram('brinewatch', 'Brinewatch')],
}
const states: ArchivedState[] = [
  { profile: 1, at: 5, why: 'kept', words: 'Sunday', document: renameProfile(profile, 'Older') },
]
const packed = packArchive(library, states, [{ model: 'tern-7', slot: 0, bytes: Uint8Array.of(1, 2) }])
const LIMITS = { files: 100, fileBytes: 1 << 20, bytes: 1 << 21 }

describe('everything in one file', () => {
  it('comes back the same, with what profiles were before', () => {
    expect(readArchive(packed)).toEqual({ library, states, broken: [] })
    const names = unzip(packed, LIMITS).map(({ name }) => name)
    expect(names).toEqual(
      expect.arrayContaining([
        'README.txt',
        'images/tern-7-slot-1.hex',
        'palettes/0001-deep-water.gpl',
        'programs/0001-brinewatch.json',
      ]),
    )
  })

  it('names what of it cannot be read, and gives the rest', () => {
    const files = {
      'profiles/0001-a.json': strToU8('{"slot":0,"profile":{"format":"unisera-profile"}}'),
      'macros/0001-winch.json': strToU8(JSON.stringify(library.macros[0])),
      'history/0009-z.json': strToU8('[]'),
    }
    const { library: read, broken } = readArchive(zipSync(files))
    expect(read.macros).toEqual(library.macros)
    expect(broken.map(({ name }) => name)).toEqual(['profiles/0001-a.json', 'history/0009-z.json'])
    expect(() => readArchive(zipSync({ 'x.txt': strToU8('x') }))).toThrow(/contains no library/)
  })

  it('is not unpacked where it leads out, swells or has no end of files', () => {
    for (const name of ['../x', 'a/../../x', '/etc/x', 'c:x', 'a\\..\\x'])
      expect(() => unzip(zipSync({ [name]: strToU8('x') }), LIMITS)).toThrow(/points outside it/)
    const bomb = zipSync({ 'profiles/a.json': new Uint8Array(1 << 22) })
    expect(() => unzip(bomb, LIMITS)).toThrow(/unpacks to 4,194,304 bytes/)
    // An archive that claims to be small.
    const lying = Uint8Array.from(bomb)
    const view = new DataView(lying.buffer)
    const directory = view.getUint32(lying.length - 6, true)
    view.setUint32(directory + 24, 1000, true)
    expect(inEnglish(unzip(lying, LIMITS))).toEqual([
      { name: 'profiles/a.json', problem: expect.stringMatching(/more than 1000 bytes/) },
    ])
    const many = Object.fromEntries(Array.from({ length: 101 }, (_, at) => [`${at}`, strToU8('x')]))
    expect(() => unzip(zipSync(many), LIMITS)).toThrow(/101 files/)
  })

  it('is refused or read, and never anything else, whatever is done to its bytes', () => {
    const change = fc.record({ at: fc.nat(packed.length - 1), byte: fc.nat(255), cut: fc.boolean() })
    const property = fc.property(fc.array(change, { minLength: 1, maxLength: 4 }), (changes) => {
      let bad = Uint8Array.from(packed)
      for (const { at, byte, cut } of changes) {
        if (cut) bad = bad.subarray(0, at)
        else if (at < bad.length) bad[at] = byte
      }
      try {
        const { library: read } = readArchive(bad)
        // Checksums show that the read data equals the written data.
        for (const each of read.profiles) expect(library.profiles).toContainEqual(each)
      } catch (error) {
        expect(error).toBeInstanceOf(ProfileError)
      }
    })
    fc.assert(property, runs(300))
  })
})
