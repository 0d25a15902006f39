import { useDebounceFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { sameValue } from '../../core/profile/changes'
import { EditRefused } from '../../core/profile/edits'
import type { Macro, MacroEvent } from '../../core/macro/macro'
import { EditConflict } from '../library'
import { useMacros } from './macros'
import { messageOf, useNotices } from './notices'

interface HistoryEntry {
  label: string
  macro: Macro
  /** Edits of one gesture are taken back as one. */
  gesture?: string
  atMs: number
}

const GESTURE_MS = 1200
const MOST_HISTORY = 200
const REST_MS = 250
const MOST_UNSTORED_MS = 2000

/** The macro that is open, its edits, and their undo. States share the events they have in common. */
export const useMacroEditor = defineStore('macro editor', () => {
  const macros = useMacros()
  const notices = useNotices()
  const macro = shallowRef<Macro>()
  const past = shallowRef<HistoryEntry[]>([])
  const future = shallowRef<HistoryEntry[]>([])
  const openId = ref<string>()
  /** The stored state that is edited, by its time. */
  let based = 0
  /** The newest state that is still to be stored; those between need not be. */
  let wanted: Macro | undefined
  const storing = ref(0)
  const unsaved = ref(false)
  const savedAt = ref<number>()

  const stored = computed(() => (openId.value === undefined ? undefined : macros.stateOf(openId.value)))

  /** Shows what is stored, unless it is older than what is here: the live query comes after the edit. */
  function take(): void {
    const now = stored.value
    if (storing.value > 0 || unsaved.value) return
    if (macro.value && now && now.updatedAt <= based) return
    if (!sameValue(now?.macro, macro.value)) {
      macro.value = now?.macro
      past.value = []
      future.value = []
    }
    based = now?.updatedAt ?? 0
  }
  watch(stored, take)

  function open(id: string): void {
    if (openId.value === id) return
    openId.value = id
    past.value = []
    future.value = []
    unsaved.value = false
    macro.value = undefined
    take()
  }

  /**
   * Makes an edit: here at once, in storage as soon as it can be.
   *
   * @returns why it was refused, or undefined when it was made
   */
  function edit(label: string, change: (current: Macro) => Macro, gesture?: string): string | undefined {
    const before = macro.value
    if (!before) return undefined
    try {
      const after = change(before)
      if (sameValue(before, after)) return undefined
      const last = past.value.at(-1)
      const same = gesture !== undefined && last?.gesture === gesture && Date.now() - last.atMs < GESTURE_MS
      const entry = { label, macro: same ? last.macro : before, gesture, atMs: Date.now() }
      past.value = [...(same ? past.value.slice(0, -1) : past.value.slice(-MOST_HISTORY)), entry]
      future.value = []
      show(after)
      return undefined
    } catch (error) {
      if (error instanceof EditRefused) return error.message
      throw error
    }
  }

  const editEvents = (
    label: string,
    change: (events: readonly MacroEvent[]) => MacroEvent[],
    gesture?: string,
  ) => edit(label, (current) => ({ ...current, events: change(current.events) }), gesture)

  function move(from: typeof past, to: typeof past): void {
    const last = from.value.at(-1)
    if (!last || !macro.value) return
    from.value = from.value.slice(0, -1)
    to.value = [...to.value, { ...last, macro: macro.value, gesture: undefined }]
    show(last.macro)
  }

  function show(next: Macro): void {
    macro.value = next
    wanted = next
    void resting()
    if (storing.value === 0) void storeWanted()
  }

  /** Called when the hand has rested for a moment. */
  let rested: ((value?: unknown) => void) | undefined
  const resting = useDebounceFn(() => rested?.(), REST_MS, { maxWait: MOST_UNSTORED_MS })

  /** Until no edit follows the last one; no longer than that when the page is put away. */
  const rest = (): Promise<unknown> =>
    new Promise((resolve) => {
      rested = resolve
      void resting()
      if (typeof document === 'object') document.addEventListener('visibilitychange', resolve, { once: true })
    })

  async function storeWanted(): Promise<void> {
    storing.value = 1
    while (wanted) {
      const next = wanted
      wanted = undefined
      await store(next)
      // Dragging makes a state each frame: those between need not be stored.
      if (wanted) await rest()
    }
    storing.value = 0
    take()
  }

  async function store(next: Macro): Promise<void> {
    try {
      based = await macros.stored.edit(next, based, Date.now())
      unsaved.value = false
      savedAt.value = Date.now()
    } catch (error) {
      if (error instanceof EditConflict) {
        notices.trouble(`${error.message}. What is stored is shown; your last edit was not made.`)
        wanted = undefined
        macro.value = undefined
      } else {
        unsaved.value = true
        notices.trouble(
          `This browser could not store the edit: ${messageOf(error)}. It is still in this tab; free some space and try again.`,
          { label: 'Store again', act: () => macro.value && show(macro.value) },
        )
      }
    }
  }

  return {
    ...{ openId, macro, past, future, unsaved, savedAt, stored, open, edit, editEvents },
    undo: () => move(past, future),
    redo: () => move(future, past),
  }
})
