import { computed, ref, watch, type ComputedRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { sectionTable } from '../../core/compile/section-table'
import { differencesBetween, takeOver } from '../../core/compile/take-over'
import { rename } from '../../core/edits/edits'
import { EditRefused } from '../../core/wording/refused'
import type { Profile } from '../../core/document/schema'
import { useEditor } from '../stores/editor'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { useNotices } from '../stores/notices'
import { useStates } from '../stores/states'
import { useSources, type Source } from './sources'

export const counted = (count: number): string => (count === 1 ? 'one change' : `${count} changes`)

/** What is held against what, as the address says it: the open profile, or any other source, against another. */
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

  /** What is held against it: the open profile, or any other source. */
  const base = computed(() => sourceOf(route.query.base))
  const hold = (key: string) => router.replace({ query: { ...route.query, base: key || undefined } })
  const here = computed(() => (base.value ? base.value.profile() : editor.profile))

  return { groups, opened, chosen, choose, other, base, hold, here }
}

/** The open profile held against what the address names: what differs, what of it is taken, and the taking of it. */
export function useComparison() {
  const editor = useEditor()
  const macros = useMacros()
  const { groups, opened, chosen, choose, other, base, hold, here } = useHeld()

  /** Whether this profile takes or gives. */
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
  /** Everything but the name is taken unless it is ticked off; what is held anew begins so again. */
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
    return mine && theirs && model ? sectionTable(mine, theirs, model, macros.wholeShelf) : []
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

/** Of whichever has more of them. */
function namesOfLayers(...profiles: (Profile | undefined)[]): string[] {
  const most = profiles.flatMap((profile) => (profile ? [profile.layers] : []))
  return (most.sort((a, b) => b.length - a.length)[0] ?? []).map(({ name }) => name)
}

/** Puts what is ticked into a profile of the library that is not open. */
function useGiving(asked: ComputedRef<ReadonlySet<string>>) {
  const editor = useEditor()
  const library = useLibrary()
  const states = useStates()
  const notices = useNotices()

  return function give(id: string, title: string, mine: Profile): void {
    const { model } = editor
    const before = library.entry(id)?.profile
    if (!model || !before) return
    const refusal = library.change(id, `${counted(asked.value.size)} put into “${title}”`, (there) =>
      takeOver(there, mine, model, asked.value),
    )
    if (refusal) notices.refuse(refusal)
    else void states.keep(id, before, 'changed', `taking from ${mine.name}`)
  }
}

/** What is done with the differences that are ticked. */
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
  const states = useStates()
  const notices = useNotices()
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
    const refusal = editor.edit(['take-from', { title }], (now) => takeOver(now, from, model, asked.value))
    if (refusal) return notices.refuse(refusal)
    void states.keep(openId, profile, 'changed', `taking from ${title}`)
    notices.say(
      `${counted(count)} taken from “${title}”`,
      { label: 'Undo', act: editor.undo },
      editor.asNow(),
    )
  }

  /** The same as a profile of its own; this one stays. */
  async function takeAsNew(): Promise<void> {
    const { profile, model } = editor
    const [source, from] = [chosen.value, other.value]
    if (!source || !from || !profile || !model) return
    if (source.adopt && !(await source.adopt())) return
    try {
      const next = takeOver(profile, from, model, asked.value)
      const id = await library.addFromFile(rename(next, library.freeName(source.title, next.model)))
      if (id) await router.push(`/profile/${id}/buttons`)
    } catch (error) {
      if (!(error instanceof EditRefused)) throw error
      notices.refuse(error.message)
    }
  }

  return { take, takeAsNew }
}
