import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { modelById } from '../../core/device/models'
import { applyChanges, changesBetween, reversed, sameValue, type Change } from '../../core/profile/changes'
import { EditRefused } from '../../core/profile/edits'
import type { Profile } from '../../core/profile/schema'
import { EditConflict } from '../library'
import { useLibrary } from './library'
import { messageOf, useNotices } from './notices'

/** One edit that can be taken back. Edits of one gesture (a slider being dragged) share a `gesture`. */
interface HistoryEntry {
  label: string
  changes: Change[]
  gesture?: string
  atMs: number
}

const GESTURE_MS = 1200
const MOST_HISTORY = 500

/** The profile that is open, its edits, and their undo. The stored library stays the truth. */
export const useEditor = defineStore('editor', () => {
  const library = useLibrary()
  const notices = useNotices()
  const openId = ref<string>()
  const profile = shallowRef<Profile>()
  const past = shallowRef<HistoryEntry[]>([])
  const future = shallowRef<HistoryEntry[]>([])
  /** Edits on their way to storage; what the live query brings meanwhile is older than what is here. */
  const storing = ref(0)
  const unsaved = ref(false)
  const savedAt = ref<number>()

  const entry = computed(() => (openId.value === undefined ? undefined : library.entry(openId.value)))
  const model = computed(() => (profile.value ? modelById(profile.value.model) : undefined))

  watch(
    entry,
    (stored) => {
      if (storing.value > 0 || unsaved.value) return
      savedAt.value = stored?.updatedAt
      if (!sameValue(stored?.profile, profile.value)) profile.value = stored?.profile
    },
    { immediate: true },
  )

  function open(id: string): void {
    if (openId.value === id) return
    openId.value = id
    past.value = []
    future.value = []
    unsaved.value = false
    profile.value = library.entry(id)?.profile
    savedAt.value = library.entry(id)?.updatedAt
  }

  /**
   * Makes an edit: here at once, in storage as soon as it can be.
   *
   * @param label what it is, for the undo button
   * @param change from the profile as it is to the profile as it will be
   * @param gesture edits that follow each other under one name are undone as one
   * @returns why it was refused, or undefined when it was made
   */
  function edit(label: string, change: (current: Profile) => Profile, gesture?: string): string | undefined {
    const before = profile.value
    if (!before) return undefined
    try {
      const after = change(before)
      const changes = changesBetween(before, after)
      if (changes.length === 0) return undefined
      profile.value = after
      remember({ label, changes, gesture, atMs: Date.now() }, before, after)
      future.value = []
      void store(changes)
      return undefined
    } catch (error) {
      if (error instanceof EditRefused) return error.message
      throw error
    }
  }

  function undo(): void {
    move(past, future, (changes) => reversed(changes))
  }

  function redo(): void {
    move(future, past, (changes) => changes)
  }

  function move(from: typeof past, to: typeof past, direction: (changes: Change[]) => Change[]): void {
    const last = from.value.at(-1)
    if (!last) return
    from.value = from.value.slice(0, -1)
    to.value = [...to.value, { ...last, gesture: undefined }]
    void store(direction(last.changes))
  }

  function remember(next: HistoryEntry, before: Profile, after: Profile): void {
    const last = past.value.at(-1)
    const same =
      last?.gesture !== undefined && last.gesture === next.gesture && next.atMs - last.atMs < GESTURE_MS
    const origin = same ? applyChanges(before, reversed(last.changes)) : undefined
    past.value = origin
      ? [...past.value.slice(0, -1), { ...next, changes: changesBetween(origin, after) }]
      : [...past.value.slice(-MOST_HISTORY), next]
  }

  async function store(changes: Change[]): Promise<void> {
    const id = openId.value
    if (id === undefined) return
    storing.value++
    try {
      const stored = await library.library.edit(id, changes, Date.now())
      unsaved.value = false
      // Only the last of several edits on their way says how things stand.
      if (storing.value === 1 && openId.value === id) {
        profile.value = stored
        savedAt.value = Date.now()
      }
    } catch (error) {
      conflictOrFailure(error)
    } finally {
      storing.value--
    }
  }

  function conflictOrFailure(error: unknown): void {
    if (error instanceof EditConflict) {
      profile.value = entry.value?.profile
      notices.trouble(`${error.message}. What is stored is shown; your last edit was not made.`)
      return
    }
    unsaved.value = true
    notices.trouble(
      `This browser could not store the edit: ${messageOf(error)}. It is still in this tab; free some space and try again.`,
      { label: 'Store again', act: () => void storeAgain() },
    )
  }

  async function storeAgain(): Promise<void> {
    const stored = entry.value?.profile
    if (profile.value && stored) await store(changesBetween(stored, profile.value))
  }

  return { openId, profile, model, entry, past, future, unsaved, savedAt, open, edit, undo, redo }
})
