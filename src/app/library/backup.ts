import { textOf } from '../../messages/page'
import { shallowRef } from 'vue'
import { ProfileError } from '../../core/base/errors'
import { yieldThread, TimeSlice } from '../database/yield-thread'
import { useLibrary } from '../stores/library'
import type { FileContent } from '../../core/compile/any-file'
import { useOpening } from '../files/open-file'
import { readAll } from './backup-file'
import { importLibrary } from './import-library'
import { compareWithLibrary, type ImportChoice, type ImportPlan, type ImportedProfile } from './import-plan'

/** Imports a backup: shows its contents, then imports what the person selects. @param done called after the import */
export function useBackup(done: () => void = () => {}) {
  const library = useLibrary()
  const { refuse } = useOpening()
  const plan = shallowRef<ImportPlan>()

  /** Compares a backup with the library, so that the person can select what to import. @param file name of the backup */
  async function take(file: string, found: Extract<FileContent, { kind: 'library' }>): Promise<void> {
    plan.value = undefined
    await readAll()
    const profiles: ImportedProfile[] = []
    const turn = new TimeSlice()
    for (const { profile } of found.library.profiles) {
      await turn.next()
      profiles.push(compareWithLibrary(profile, library.entries))
    }
    await yieldThread()
    plan.value = {
      name: file,
      file: found.library,
      states: found.states ?? [],
      profiles,
      broken: found.broken ?? [],
    }
  }

  async function bring(choices: readonly ImportChoice[], withRules: boolean): Promise<void> {
    const asked = plan.value
    if (!asked) return
    try {
      if (!(await importLibrary(asked, choices, withRules))) return
      // The notification appears and the panel closes in separate tasks.
      await yieldThread()
      done()
    } catch (error) {
      if (!(error instanceof ProfileError)) throw error
      refuse(asked.name, error.problems.map(textOf))
    }
    plan.value = undefined
  }

  const leave = () => (plan.value = undefined)

  return { plan, take, bring, leave }
}
