import { liveQuery } from 'dexie'
import { defineStore } from 'pinia'
import { computed, onScopeDispose, shallowRef, watch } from 'vue'
import { ProfileError } from '../../core/base/refusal'
import { checkAppRules } from '../../core/checks/checks-of-rules'
import { HELPER_FILE, NO_RULES, type AppRules, type RuleTarget } from '../../core/computer/app-rules'
import { appRulesText, parseAppRules } from '../../core/files/app-rules-file'
import { sameValue } from '../../core/base/same-value'
import { EditConflict } from '../database/documents'
import { RULES_MARK } from '../database/library-database'
import { useDeeds } from './deeds'
import { useDevices } from './devices'
import { useLibrary } from './library'

/** Which slot is to be used while which program is in front: one table for all tabs. */
export const useAppRules = defineStore('app rules', () => {
  const library = useLibrary()
  const devices = useDevices()
  const deeds = useDeeds()
  const { database } = library.library

  /** Undefined until it has been read. */
  const stored = shallowRef<unknown>()
  const read = liveQuery(() => database.marks.get(RULES_MARK)).subscribe({
    next: (mark) => (stored.value = mark?.value ?? NO_RULES),
    // The library says that it cannot be read.
    error: () => (stored.value = undefined),
  })
  onScopeDispose(() => read.unsubscribe())

  const judged = computed((): { rules: AppRules } | { problems: readonly string[] } | undefined =>
    stored.value === undefined ? undefined : judge(stored.value),
  )
  const rules = computed(() => (judged.value && 'rules' in judged.value ? judged.value.rules : undefined))
  /** Reads the rules as they are stored now. @returns undefined where they cannot be read */
  async function readStored(): Promise<AppRules | undefined> {
    const found = judge((await database.marks.get(RULES_MARK))?.value ?? NO_RULES)
    return 'rules' in found ? found.rules : undefined
  }
  /** Why what is stored could not be read; it is kept as it is until other rules take its place. */
  const problems = computed(() => (judged.value && 'problems' in judged.value ? judged.value.problems : []))

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

  /** Beside a profile, the slot it is in now: for a helper that cannot read slots. */
  function withSlot(target: RuleTarget): RuleTarget {
    if (target.profile === undefined) return target
    const slot = held.value.get(target.device)?.indexOf(target.profile) ?? -1
    return slot < 0 ? target : { ...target, slot }
  }
  /** The rules as a file, for a helper. */
  const asFile = computed(() => {
    const { rules: list, otherwise, ...rest } = rules.value ?? NO_RULES
    return appRulesText({
      ...rest,
      rules: list.map((rule) => ({ ...rule, use: rule.use.map(withSlot) })),
      otherwise: otherwise.map(withSlot),
    })
  })
  watch(
    () => rules.value && asFile.value,
    (text) => text !== undefined && handOver(text),
  )

  /** Puts what becomes of the stored rules in their place. @returns what stood there and stands there now */
  const put = (become: (now: unknown) => unknown) =>
    database.transaction('rw', database.marks, async () => {
      const before: unknown = (await database.marks.get(RULES_MARK))?.value ?? NO_RULES
      const after = become(before)
      if (!sameValue(before, after)) await database.marks.put({ key: RULES_MARK, value: after })
      return { before, after }
    })

  /**
   * Changes the rules as they are stored, whatever this tab shows. Those that cannot be read give way to new ones.
   *
   * @param text what was done, as a sentence without its full stop
   */
  async function change(text: string, change: (rules: AppRules) => AppRules): Promise<void> {
    const done = await library.attempt(() =>
      put((now) => {
        const found = judge(now)
        return change('rules' in found ? found.rules : NO_RULES)
      }),
    )
    if (!done || sameValue(done.before, done.after)) return
    const { before, after } = done
    deeds.sayStored('devices', text, () =>
      put((now) => {
        if (sameValue(now, after)) return before
        throw new EditConflict('the app rules have been changed in another tab since')
      }),
    )
  }

  return { rules, readStored, problems, stored, findings, asFile, change }
})

function judge(value: unknown): { rules: AppRules } | { problems: readonly string[] } {
  try {
    return { rules: parseAppRules(value) }
  } catch (error) {
    if (error instanceof ProfileError) return { problems: error.problems }
    throw error
  }
}

// A browser that forbids this has forbidden the library as well, and says so.
function handOver(text: string): void {
  try {
    localStorage.setItem(HELPER_FILE, text)
  } catch {
    return
  }
}
