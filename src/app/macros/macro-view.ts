import { t } from '../../messages/page'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { itemAt } from '../../core/base/items'
import {
  copyEvents,
  duplicateEvents,
  insertEvents,
  moveEvents,
  removeEvents,
  setDelay,
  addPartners,
} from '../../core/edits/macro-edits'
import type { MacroEvent } from '../../core/document/macro'
import { eventDurations } from '../../core/compile/event-durations'
import { durationMs, eventTimes, eventPartners } from '../../core/document/macro-timing'
import type { LayoutId } from '../../core/computer/layouts'
import type { TargetComputer } from '../../core/computer/shortcuts'
import { matchesShortcut } from '../shared/command-keys'
import { type CommandId } from '../shared/command-list'
import { useMacroEditor } from '../stores/macro-editor'
import { useMacros } from '../stores/macros'
import { eventMessage } from '../../core/text/event-text'
import { capitalise } from '../../core/base/names'
import { announce } from '../../look/announce'
import { editText, type EditName } from '../stores/edit-texts'
import { useNotifications } from '../stores/notifications'
import { useOwnSetting } from '../../look/own-storage'

/** Cut or copied events, for this and other macros. */
const clipboard = shallowRef<MacroEvent[]>([])

/** State shared by the timeline and the list of a macro: its events, the selection, and its edits. */
export function useMacroView() {
  const editor = useMacroEditor()
  const macros = useMacros()
  const notices = useNotifications()
  const events = computed(() => editor.macro?.events ?? [])
  /** For legends of keys, and for typed texts. */
  const layout = useOwnSetting<LayoutId>('unisera macro layout', 'us')
  /** The keys of a text also depend on the system; the checks of a profile use its own. */
  const on = computed((): TargetComputer => ({ system: 'windows', layout: layout.value }))
  const lasting = computed(() => eventDurations(macros.shelf, on.value))
  const times = computed(() => eventTimes(events.value, lasting.value))
  const pairs = computed(() => eventPartners(events.value))
  const lasts = computed(() => durationMs(events.value, lasting.value))
  /** Times are moved and stretched in multiples of this, in ms. */
  const snapMs = useOwnSetting('unisera macro snap', 1)
  /** Press and release are moved separately, on purpose. */
  const split = ref(false)
  const cursor = ref(0)
  const anchor = ref(0)
  const selected = shallowRef<ReadonlySet<number>>(new Set())
  /** Whether arrow keys and clicks extend the selection without Shift or Ctrl. */
  const selectsMore = ref(false)

  watch(
    () => editor.openId,
    () => choose([]),
  )
  watch(events, ({ length }) => {
    cursor.value = Math.min(cursor.value, Math.max(0, length - 1))
    if ([...selected.value].some((index) => index >= length))
      selected.value = new Set([...selected.value].filter((index) => index < length))
  })

  function say(refusal: string | undefined): boolean {
    if (refusal) notices.refuse(refusal)
    return refusal === undefined
  }

  function choose(indices: Iterable<number>): void {
    selected.value = new Set(indices)
    const last = [...selected.value].at(-1)
    if (last !== undefined) cursor.value = anchor.value = last
  }

  /** Selects one event; `range` selects all from the last one, `toggle` adds or removes one. */
  function select(index: number, how: { range?: boolean; toggle?: boolean } = {}): void {
    cursor.value = index
    if (how.range) {
      const [from, to] = [Math.min(anchor.value, index), Math.max(anchor.value, index)]
      selected.value = new Set(Array.from({ length: to - from + 1 }, (_, each) => from + each))
      return
    }
    const next = new Set(how.toggle ? selected.value : [])
    if (how.toggle && next.has(index)) next.delete(index)
    else next.add(index)
    selected.value = next
    anchor.value = index
  }

  /** Selection by click: a range with Shift; toggling with Ctrl, or while clicks extend the selection. */
  const clickOf = ({ shiftKey, ctrlKey, metaKey }: MouseEvent) => ({
    range: shiftKey,
    toggle: ctrlKey || metaKey || selectsMore.value,
  })

  const chosen = () => (split.value ? selected.value : addPartners(events.value, selected.value))

  function remove(): void {
    if (selected.value.size === 0) return
    const first = Math.min(...selected.value)
    const count = chosen().size
    if (
      !say(
        editor.editEvents(['remove-events', { events: count }], (now) =>
          removeEvents(now, selected.value, split.value, lasting.value),
        ),
      )
    )
      return
    if (events.value.length > 0) select(Math.min(first, events.value.length - 1))
    else choose([])
  }

  function copy(): void {
    const indices = [...chosen()].sort((a, b) => a - b)
    if (indices.length > 0) clipboard.value = copyEvents(events.value, indices, lasting.value)
  }

  function cut(): void {
    copy()
    remove()
  }

  /** Inserts events after the cursor and selects them. */
  function insert(added: readonly MacroEvent[], label: EditName): boolean {
    const at = events.value.length === 0 ? 0 : cursor.value + 1
    if (added.length === 0 || !say(editor.editEvents(label, (now) => insertEvents(now, at, added))))
      return false
    choose(Array.from({ length: added.length }, (_, each) => at + each))
    return true
  }

  function duplicate(): void {
    if (selected.value.size === 0) return
    const last = Math.max(...chosen())
    const count = chosen().size
    if (say(editor.editEvents(['copy-events'], (now) => duplicateEvents(now, selected.value, lasting.value))))
      choose(Array.from({ length: count }, (_, each) => last + 1 + each))
  }

  /** Moves the selected events by some ms. */
  function shift(byMs: number): void {
    if (selected.value.size === 0) return
    let now: number[] = []
    const done = editor.editEvents(
      ['move-events'],
      (before) => {
        const moved = moveEvents(before, selected.value, byMs, split.value, lasting.value)
        now = moved.now
        return moved.events
      },
      'shift',
    )
    if (say(done) && now.length > 0) selected.value = new Set(now)
  }

  /** Describes an event for a screen reader: its action, its time, and how long it is held. */
  function spoken(index: number): string | undefined {
    const event = events.value[index]
    if (!event) return undefined
    const end = pairs.value[index]
    const atMs = itemAt(times.value, index)
    const endMs = end === undefined ? undefined : times.value[end]
    const spokenEvent = eventMessage(event, layout.value, macros.shelf)
    return endMs !== undefined && endMs > atMs
      ? t('macros.atMsHeld', { event: spokenEvent, atMs, heldMs: endMs - atMs })
      : t('macros.atMs2', { event: spokenEvent, atMs })
  }

  // Announces edits, which sighted people see in the timeline and the table.
  watch(
    () => [editor.openId, editor.past.at(-1), editor.future.length] as const,
    ([id, last, undone], [idBefore, before, undoneBefore]) => {
      if (id !== idBefore || last === undefined || last === before || undone !== 0 || undoneBefore > 0) return
      const where = spoken(cursor.value)
      announce([capitalise(editText(last.label)), ...(where === undefined ? [] : [where])].join(': '))
    },
    { flush: 'post' },
  )
  watch(
    () => selected.value.size,
    (count) => count > 1 && announce(t('macros.eventsSelected', { count })),
  )

  const delay = (index: number, afterMs: number) =>
    editor.editEvents(['delay', { event: index + 1 }], (now) => setDelay(now, index, afterMs))

  function change(index: number, event: MacroEvent, gesture?: string): void {
    editor.editEvents(
      ['change-event'],
      (now) => now.map((each, at) => (at === index ? event : each)),
      gesture,
    )
  }

  return reactive({
    editor,
    events,
    lasting,
    times,
    spoken,
    pairs,
    lasts,
    layout,
    on,
    snapMs,
    split,
    cursor,
    selected,
    selectsMore,
    clipboard,
    clickOf,
    choose,
    select,
    remove,
    copy,
    cut,
    insert,
    duplicate,
    shift,
    delay,
    change,
    say,
    splitEnds: (on: boolean) => void (split.value = on),
    setLayout: (id: LayoutId) => void (layout.value = id),
    setSnap: (ms: number) => void (snapMs.value = ms),
    paste: () => void insert(clipboard.value, ['paste-events']),
    setSelectsMore: (on: boolean) => void (selectsMore.value = on),
    step: (by: number, range: boolean) => {
      const next = Math.min(Math.max(cursor.value + by, 0), events.value.length - 1)
      if (next >= 0) select(next, { range: range || selectsMore.value })
    },
  })
}

export type MacroView = ReturnType<typeof useMacroView>

const EVENT_KEYS: readonly [CommandId, (work: MacroView) => unknown][] = [
  ['events.earlier', (work) => work.shift(-work.snapMs)],
  ['events.later', (work) => work.shift(work.snapMs)],
  ['events.copy', (work) => work.copy()],
  ['events.cut', (work) => work.cut()],
  ['events.paste', (work) => work.paste()],
  ['events.duplicate', (work) => work.duplicate()],
  ['events.all', (work) => work.choose(work.events.keys())],
  ['events.remove', (work) => work.remove()],
  ['events.none', (work) => work.choose([])],
]

/** Handles keys of the timeline and the list. @returns whether it handled the key */
export function handleKey(work: MacroView, event: KeyboardEvent, along: 'x' | 'y'): boolean {
  const [back, on] = along === 'x' ? ['ArrowLeft', 'ArrowRight'] : ['ArrowUp', 'ArrowDown']
  const named = EVENT_KEYS.find(([id]) => matchesShortcut(event, id))
  if (named) {
    named[1](work)
    return true
  }
  if (event.ctrlKey || event.metaKey || event.altKey) return false
  const by = { [back]: -1, [on]: 1, Home: -Infinity, End: Infinity, PageUp: -10, PageDown: 10 }[event.code]
  if (by !== undefined) work.step(by, event.shiftKey)
  return by !== undefined
}
