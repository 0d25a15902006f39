import { t, textOf } from '../../messages/page'
import { liveQuery } from 'dexie'
import { defineStore } from 'pinia'
import { computed, onScopeDispose, shallowRef, watch } from 'vue'
import { ProfileError } from '../../core/base/errors'
import { checkAppRules } from '../../core/checks/app-rule-checks'
import { HELPER_FILE, NO_RULES, type AppRules, type RuleTarget } from '../../core/computer/app-rules'
import { formatAppRules, parseAppRules } from '../../core/files/app-rules-file'
import { deepEqual } from '../../core/base/deep-equal'
import { EditConflict } from '../database/documents'
import { APP_RULES_KEY } from '../database/library-database'
import { useUndoableActions } from './undoable-actions'
import { useDevices } from './devices'
import { useLibrary } from './library'

/** App rules: one table for all tabs. */
export const useAppRules = defineStore('app rules', () => {
  const library = useLibrary()
  const devices = useDevices()
  const deeds = useUndoableActions()
  const { database } = library.library

  /** Undefined until it has been read. */
  const stored = shallowRef<unknown>()
  const read = liveQuery(() => database.marks.get(APP_RULES_KEY)).subscribe({
    next: (mark) => (stored.value = mark?.value ?? NO_RULES),
    // The library already reports that it cannot be read.
    error: () => (stored.value = undefined),
  })
  onScopeDispose(() => read.unsubscribe())

  const validated = computed((): { rules: AppRules } | { problems: readonly string[] } | undefined =>
    stored.value === undefined ? undefined : parseStoredRules(stored.value),
  )
  const rules = computed(() =>
    validated.value && 'rules' in validated.value ? validated.value.rules : undefined,
  )
  /** Reads the stored rules. @returns undefined if they cannot be read */
  async function readStored(): Promise<AppRules | undefined> {
    const found = parseStoredRules((await database.marks.get(APP_RULES_KEY))?.value ?? NO_RULES)
    return 'rules' in found ? found.rules : undefined
  }
  /** Why the stored rules are unreadable; they are kept until other rules replace them. */
  const problems = computed(() =>
    validated.value && 'problems' in validated.value ? validated.value.problems : [],
  )

  const held = computed(
    () =>
      new Map(
        devices.list
          .filter(({ slots }) => slots.length > 0)
          .map(({ model, slots }) => [model.id, slots.map(({ profile }) => profile?.name)]),
      ),
  )
  const findings = computed(() =>
    checkAppRules(rules.value ?? NO_RULES, {
      profiles: library.entries.map(({ profile }) => ({ name: profile.name, model: profile.model })),
      slots: held.value,
    }),
  )

  /** Adds the current slot of each profile, for helpers that cannot read slots. */
  function withSlot(target: RuleTarget): RuleTarget {
    if (target.profile === undefined) return target
    const slot = held.value.get(target.device)?.indexOf(target.profile) ?? -1
    return slot < 0 ? target : { ...target, slot }
  }
  /** The rules as a file, for a helper. */
  const asFile = computed(() => {
    const { rules: list, otherwise, ...rest } = rules.value ?? NO_RULES
    return formatAppRules({
      ...rest,
      rules: list.map((rule) => ({ ...rule, use: rule.use.map(withSlot) })),
      otherwise: otherwise.map(withSlot),
    })
  })
  watch(
    () => rules.value && asFile.value,
    (text) => text !== undefined && handOver(text),
  )

  /** Replaces the stored rules. @returns the previous and the new ones */
  const put = (become: (now: unknown) => unknown) =>
    database.transaction('rw', database.marks, async () => {
      const before: unknown = (await database.marks.get(APP_RULES_KEY))?.value ?? NO_RULES
      const after = become(before)
      if (!deepEqual(before, after)) await database.marks.put({ key: APP_RULES_KEY, value: after })
      return { before, after }
    })

  /**
   * Changes the stored rules, regardless of those shown in this tab. Unreadable ones are replaced.
   *
   * @param text the change, as a sentence without its full stop
   */
  async function change(text: string, change: (rules: AppRules) => AppRules): Promise<void> {
    const done = await library.attempt(() =>
      put((now) => {
        const found = parseStoredRules(now)
        return change('rules' in found ? found.rules : NO_RULES)
      }),
    )
    if (!done || deepEqual(done.before, done.after)) return
    const { before, after } = done
    deeds.sayStored('devices', text, () =>
      put((now) => {
        if (deepEqual(now, after)) return before
        throw new EditConflict(t('stores.theAppRulesWereChangedInAnother'))
      }),
    )
  }

  return { rules, readStored, problems, stored, findings, asFile, change }
})

function parseStoredRules(value: unknown): { rules: AppRules } | { problems: readonly string[] } {
  try {
    return { rules: parseAppRules(value) }
  } catch (error) {
    if (error instanceof ProfileError) return { problems: error.problems.map(textOf) }
    throw error
  }
}

// A browser that blocks this also blocks the library, which is reported.
function handOver(text: string): void {
  try {
    localStorage.setItem(HELPER_FILE, text)
  } catch {
    return
  }
}
