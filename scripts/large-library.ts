import { readFileSync } from 'node:fs'
import { itemAt } from '../src/core/base/items'
import type { LibraryFile } from '../src/core/files/library-file'
import { macrosFromJson } from '../src/core/files/macro-json'
import { readProfileFile } from '../src/core/files/profile-file'

/** A library of many profiles and macros made from the demo, as in a backup file. */
export function largeLibrary(profiles: number, macros = 0): LibraryFile {
  const { profile } = readProfileFile(JSON.parse(readFileSync('demo/profiles/brinewatch.json', 'utf8')))
  const shelf = macrosFromJson(readFileSync('demo/macros.json', 'utf8'))
  return {
    format: 'unisera-library',
    version: 1,
    profiles: Array.from({ length: profiles }, (_, index) => ({
      slot: index % 5,
      profile: { ...profile, name: `Salvage ${index}` },
    })),
    macros: Array.from({ length: macros }, (_, index) => {
      const macro = itemAt(shelf, index % shelf.length)
      const events = macro.events.filter(({ kind }) => kind !== 'macro')
      return { ...macro, id: `copy-${index}`, name: `Copy ${index}`, events }
    }),
    sessions: [],
    palettes: [],
    programs: [],
  }
}
