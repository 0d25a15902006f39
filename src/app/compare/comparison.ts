import { t, textOf } from '../../messages/page'
import { computed, ref, watch, type ComputedRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { sectionTable } from '../../core/compile/section-table'
import { differencesBetween, applyDifferences } from '../../core/compile/apply-differences'
import { renameProfile } from '../../core/edits/edits'
import { EditRefused } from '../../core/wording/edit-refused'
import type { Profile } from '../../core/document/schema'
import { useEditor } from '../stores/editor'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { useNotifications } from '../stores/notifications'
import { useSavedVersions } from '../stores/saved-versions'
import { useSources, type Source } from './sources'

export const changeCount = (count: number): string => t('compare.oneChange', { count })

/** The two compared sources, as in the address: the open profile or any other source, and another source. */
function useHeld() {
  const editor = useEditor()
  const route = useRoute()
  const router = useRouter()
  const { groups, opened } = useSources(
    computed(() => editor.profile),
    computed(() => editor.model),
  )

  const sourceOf = (key: unknown) =>
    groups.value.flatMap(({ sources }) => sources).find((source) => source.key === key)
  const chosen = computed(() => sourceOf(route.query.with))
  const choose = (key: string) => router.replace({ query: { ...route.query, with: key } })
  const other = computed(() => chosen.value?.profile())

  /** The open profile, or any other source. */
  const base = computed(() => sourceOf(route.query.base))
  const hold = (key: string) => router.replace({ query: { ...route.query, base: key || undefined } })
  const here = computed(() => (base.value ? base.value.profile() : editor.profile))

  return { groups, opened, chosen, choose, other, base, hold, here }
}

/** Compares the open profile with the source in the address: differences, selected ones, and copying them. */
export function useComparison() {
  const editor = useEditor()
  const macros = useMacros()
  const { groups, opened, chosen, choose, other, base, hold, here } = useHeld()

  /** Whether this profile is the target or the source. */
  const way = ref<'take' | 'give'>('take')
  watch(
    () => chosen.value?.key,
    () => (way.value = 'take'),
  )
  const giving = computed(() => way.value === 'give' && !base.value && chosen.value?.entryId !== undefined)

  const differences = computed(() => {
    const { model } = editor
    const [mine, theirs] = [here.value, other.value]
    if (!mine || !theirs || !model) return []
    return giving.value
      ? differencesBetween(theirs, mine, model, macros.wholeShelf)
      : differencesBetween(mine, theirs, model, macros.wholeShelf)
  })
  /** Everything except the name is selected initially, also for each new comparison. */
  const passedOver = ref<ReadonlySet<string>>(new Set())
  watch(
    [() => chosen.value?.key, () => base.value?.key, () => editor.openId, way],
    () => (passedOver.value = new Set(['name'])),
    { immediate: true },
  )
  const asked = computed({
    get: (): ReadonlySet<string> =>
      new Set(differences.value.map(({ key }) => key).filter((key) => !passedOver.value.has(key))),
    set: (ticked) =>
      (passedOver.value = new Set(differences.value.map(({ key }) => key).filter((key) => !ticked.has(key)))),
  })

  const layers = computed(() => namesOfLayers(here.value, other.value))
  const sections = computed(() => {
    const { model } = editor
    const [mine, theirs] = [here.value, other.value]
    return mine && theirs && model
      ? sectionTable(mine, theirs, model, macros.wholeShelf).map((row) => ({
          ...row,
          name: textOf(row.name),
        }))
      : []
  })

  const { take, takeAsNew } = useTaking({ chosen, base, other, asked, giving })

  return {
    groups,
    opened,
    chosen,
    choose,
    base,
    hold,
    way,
    giving,
    differences,
    asked,
    layers,
    sections,
    take,
    takeAsNew,
  }
}

/** Of the profile that has more of them. */
function namesOfLayers(...profiles: (Profile | undefined)[]): string[] {
  const max = profiles.flatMap((profile) => (profile ? [profile.layers] : []))
  return (max.sort((a, b) => b.length - a.length)[0] ?? []).map(({ name }) => name)
}

/** Copies the selected differences to a closed profile of the library. */
function useGiving(asked: ComputedRef<ReadonlySet<string>>) {
  const editor = useEditor()
  const library = useLibrary()
  const states = useSavedVersions()
  const notices = useNotifications()

  return function give(id: string, title: string, mine: Profile): void {
    const { model } = editor
    const before = library.entry(id)?.profile
    if (!model || !before) return
    const refusal = library.change(
      id,
      t('compare.copiedInto', { count: changeCount(asked.value.size), title }),
      (there) => applyDifferences(there, mine, model, asked.value),
    )
    if (refusal) notices.refuse(refusal)
    else void states.keep(id, before, 'changed', t('compare.copyFrom', { name: mine.name }))
  }
}

/** The possible actions for the selected differences. */
function useTaking({
  chosen,
  base,
  other,
  asked,
  giving,
}: {
  chosen: ComputedRef<Source | undefined>
  base: ComputedRef<Source | undefined>
  other: ComputedRef<Profile | undefined>
  asked: ComputedRef<ReadonlySet<string>>
  giving: ComputedRef<boolean>
}) {
  const editor = useEditor()
  const library = useLibrary()
  const states = useSavedVersions()
  const notices = useNotifications()
  const router = useRouter()
  const give = useGiving(asked)

  async function take(): Promise<void> {
    const { profile, model, openId } = editor
    const [source, from] = [chosen.value, other.value]
    if (!source || !from || !profile || !model || openId === undefined) return
    const { title } = source
    if (giving.value && source.entryId !== undefined) return give(source.entryId, title, profile)
    const { value: into } = base
    if (into) {
      if (into.entryId !== undefined && (!source.adopt || (await source.adopt())))
        give(into.entryId, into.title, from)
      return
    }
    if (source.adopt && !(await source.adopt())) return
    const count = asked.value.size
    const refusal = editor.edit(['take-from', { title }], (now) =>
      applyDifferences(now, from, model, asked.value),
    )
    if (refusal) return notices.refuse(refusal)
    void states.keep(openId, profile, 'changed', t('compare.copyFrom2', { title }))
    notices.say(
      t('compare.copiedFrom', { count: changeCount(count), title }),
      { label: t('compare.undo'), act: editor.undo },
      editor.asNow(),
    )
  }

  /** Saves them as a new profile; this one stays unchanged. */
  async function takeAsNew(): Promise<void> {
    const { profile, model } = editor
    const [source, from] = [chosen.value, other.value]
    if (!source || !from || !profile || !model) return
    if (source.adopt && !(await source.adopt())) return
    try {
      const next = applyDifferences(profile, from, model, asked.value)
      const id = await library.addFromFile(renameProfile(next, library.freeName(source.title, next.model)))
      if (id) await router.push(`/profile/${id}/buttons`)
    } catch (error) {
      if (!(error instanceof EditRefused)) throw error
      notices.refuse(textOf(error.reason))
    }
  }

  return { take, takeAsNew }
}
