import { t, textOf } from '../../messages/page'
import { computed, ref, shallowRef, watch, type ComputedRef } from 'vue'
import { applyChanges, reverseChanges, type Change } from '../../core/edits/changes'
import { deepEqual } from '../../core/base/deep-equal'
import { EditRefused } from '../../core/wording/edit-refused'
import { DocumentMissing, type EditConflict, type History } from '../database/documents'
import type { HistoryEntry } from '../database/library-database'
import { handRest } from './hand-rest'
import { useStorageQueue, applyQueued, type QueuedChange } from './storage-queue'
import type { EditName } from './edit-texts'
import { useNotifications } from './notifications'

/** Storage of one kind of documents, and its differences from others. */
export interface DocumentSource<Document> {
  table: string
  /** The stored document, as far as known here. */
  stored(id: string): Document | undefined
  changes(before: Document, after: Document): Change[]
  /** @throws EditConflict */
  store(id: string, edit: { changes: Change[]; after?: Document }, history: History): Promise<void>
  /** Whether this tab made the stored version. */
  isOwn(id: string): boolean
  /** Stores a document again that was deleted elsewhere, under its id. @throws if storage fails */
  restore(id: string, document: Document): Promise<unknown>
  history(id: string): Promise<History | undefined>
  /** Waiting edits are merged, not only those of a gesture; for documents that change many times per second. */
  merges?: true
}

/** When this tab was opened. Earlier edits do not belong to it. */
const startedAt = Date.now()

/** Whether two changes have the same place, or one is inside the other. */
const meet = (one: Change, other: Change): boolean =>
  one.path.slice(0, other.path.length).every((key, at) => key === other.path[at])

const GESTURE_MS = 1200
/** Limits of the undo history: number of edits, and of changed values in total. */
const MAX_HISTORY = 200
const MAX_KEPT_WEIGHT = 40_000

type Doing = 'edit' | 'undo' | 'redo'

/** An edit to be stored, with merged ones. */
type EditWaiting = QueuedChange & {
  changes: readonly Change[]
  /** The gesture it continues. */
  goesOn: string | undefined
  /** Whether it is being stored: then no other edit is merged. */
  begun: boolean
  entries: (HistoryEntry | undefined)[]
}
const isEdit = (item: QueuedChange): item is EditWaiting => 'goesOn' in item

/**
 * The open document, its edits, and their undo. The shown document is the stored one with the waiting edits on top: an
 * edit that storage refused is part of the document everywhere, and is applied to whatever is stored later.
 */
export function documentEditor<Document extends { name: string }>(source: DocumentSource<Document>) {
  const keeping = useStorageQueue()
  const notices = useNotifications()
  const openId = ref<string>()
  const past = shallowRef<HistoryEntry[]>([])
  const future = shallowRef<HistoryEntry[]>([])
  const savedAt = ref<number>()
  /** Undo histories of documents that were open before; edits refused by storage are not included. */
  const left = new Map<string, History>()

  const hand = handRest()
  /** Whether the last edit continued the gesture of the previous one: more are likely to follow at once. */
  const inGesture = shallowRef(false)

  const place = (id: string) => `${source.table} ${id}`
  const waiting = (id: string) => keeping.waitingFor(place(id))

  /** Any document in its current state here: stored, with waiting edits. */
  function current(id: string): Document | undefined {
    const stored = source.stored(id)
    return stored && applyQueued(stored, waiting(id))
  }

  const document: ComputedRef<Document | undefined> = computed<Document | undefined>((before) => {
    const now = openId.value === undefined ? undefined : current(openId.value)
    return before && now && deepEqual(before, now) ? before : now
  })
  const unsaved = computed(() => openId.value !== undefined && keeping.refused.has(place(openId.value)))

  /** Reports an edit of this tab that another tab replaced. */
  watch(
    [openId, () => openId.value !== undefined && source.stored(openId.value)],
    async ([id, now], [idBefore, before]) => {
      if (id === undefined || id !== idBefore || !now || !before || source.isOwn(id)) return
      const elsewhere = source.changes(before, now)
      const mine = past.value.findLast(
        ({ changes, atMs }) =>
          atMs >= startedAt && changes.some((change) => elsewhere.some((other) => meet(change, other))),
      )
      if (!mine) return
      const { editText } = await import('./edit-texts')
      notices.trouble(t('stores.anotherTabChangedWhatYouEditedHere', { edit: editText(mine.label) }))
    },
  )

  function open(id: string): void {
    if (openId.value === id) return
    if (openId.value !== undefined) left.set(openId.value, { past: past.value, future: future.value })
    const here = left.get(id)
    openId.value = id
    past.value = here?.past ?? []
    future.value = here?.future ?? []
    savedAt.value = undefined
    if (here) return
    void source.history(id).then((kept) => {
      // Edits made meanwhile are newer than the stored history.
      if (!kept || openId.value !== id || past.value.length > 0 || future.value.length > 0) return
      past.value = kept.past
      future.value = kept.future
    }, noHistory)
  }

  /**
   * Makes an edit: here at once, and in storage as soon as possible.
   *
   * @param label its name: a key of edit-texts.ts, with its facts
   * @param change returns the next document
   * @param of its gesture: consecutive edits with the same name are undone together
   * @returns why it was refused, or undefined if it was made
   */
  function edit(label: EditName, change: (now: Document) => Document, of?: string): string | undefined {
    const before = document.value
    if (!before) return undefined
    try {
      const after = change(before)
      const changes = source.changes(before, after)
      if (changes.length === 0) return undefined
      const entry = { label, changes, ...(of !== undefined && { gesture: of }), atMs: Date.now() }
      const goesOn = remember(entry, before, after)
      future.value = []
      inGesture.value = goesOn
      hand.moved()
      keep('edit', label, { changes, after }, past.value.at(-1), goesOn ? of : undefined)
      return undefined
    } catch (error) {
      if (error instanceof EditRefused) return textOf(error.reason)
      throw error
    }
  }

  const undo = () => move('undo', past, future, reverseChanges)
  const redo = () => move('redo', future, past, (changes) => [...changes])

  function move(
    doing: Doing,
    from: typeof past,
    to: typeof past,
    direction: (changes: readonly Change[]) => Change[],
  ): void {
    const last = from.value.at(-1)
    const before = document.value
    if (!last || !before) return
    from.value = from.value.slice(0, -1)
    const changes = direction(last.changes)
    const after = applyChanges(before, changes)
    const { gesture: _, ...entry } = last
    if (after) to.value = [...to.value, entry]
    // If it conflicts with another change, storage reports that change.
    keep(doing, last.label, { changes, ...(after && { after }) }, entry)
  }

  function keep(
    doing: Doing,
    label: HistoryEntry['label'],
    made: { changes: Change[]; after?: Document },
    entry: HistoryEntry | undefined,
    goesOn?: string,
  ): void {
    const id = openId.value
    if (id === undefined) return
    let { after } = made
    const whole = after ?? document.value
    const item: EditWaiting = {
      goesOn,
      begun: false,
      entries: [entry],
      place: place(id),
      name: (made.after ?? document.value)?.name ?? '',
      changes: made.changes,
      store: async () => {
        // Dragging produces a state per frame, not all of which need to be stored. It pauses before storing, because
        // waiting edits are applied to whatever is stored.
        if (goesOn !== undefined || item.entries.length > 1) await hand.rest()
        item.begun = true
        await source.store(id, { changes: [...item.changes], ...(after && { after }) }, kept())
        savedAt.value = Date.now()
      },
      conflicted: (error: EditConflict) => {
        // An edit that was not stored can be neither undone nor redone.
        past.value = past.value.filter((each) => !item.entries.includes(each))
        future.value = future.value.filter((each) => !item.entries.includes(each))
        void refuse(
          doing,
          label,
          error.message,
          error instanceof DocumentMissing ? { id, document: whole } : undefined,
        )
      },
      takeIn: (next) => {
        if (item.begun || !isEdit(next)) return false
        if (!(source.merges ?? (next.goesOn !== undefined && next.goesOn === goesOn))) return false
        item.changes = [...item.changes, ...next.changes]
        item.entries.push(...next.entries)
        after = undefined
        return true
      },
    }
    void keeping.keep(item)
  }

  /** @param gone a document that was deleted elsewhere, as this page still has it */
  async function refuse(
    doing: Doing,
    label: HistoryEntry['label'],
    why: string,
    gone?: { id: string; document: Document | undefined },
  ): Promise<void> {
    const message = {
      edit: 'stores.editWasNotSaved',
      undo: 'stores.wasNotUndone',
      redo: 'stores.editWasNotRedone',
    } as const
    // Texts of edits are not part of the first view.
    const { editText } = await import('./edit-texts')
    const words = t(message[doing], { edit: editText(label), reason: why })
    if (!gone?.document) return notices.trouble(words)
    const { id, document: held } = gone
    notices.trouble(t('stores.thisTabStillHasThePrevious', { message: words, name: held.name }), {
      label: t('stores.saveItAgain'),
      act: () => void keeping.store(place(id), held.name, () => source.restore(id, held)),
    })
  }

  /** @returns whether it continued the gesture of the previous edit */
  function remember(next: HistoryEntry, before: Document, after: Document): boolean {
    const last = past.value.at(-1)
    const same =
      last?.gesture !== undefined && last.gesture === next.gesture && next.atMs - last.atMs < GESTURE_MS
    const origin = same ? applyChanges(before, reverseChanges(last.changes)) : undefined
    past.value = origin
      ? [...past.value.slice(0, -1), { ...next, changes: source.changes(origin, after) }]
      : [...past.value.slice(1 - MAX_HISTORY), next]
    return origin !== undefined
  }

  /** The part of the history that is stored with the document, the newest first. */
  function kept(): History {
    let room = MAX_KEPT_WEIGHT
    const fitting = (entries: readonly HistoryEntry[]) => {
      const kept: HistoryEntry[] = []
      for (const entry of [...entries].reverse()) {
        room -= weightOf(entry)
        if (room < 0) break
        const { gesture: _, ...lasting } = entry
        kept.unshift(lasting)
      }
      return kept
    }
    return { past: fitting(past.value), future: fitting(future.value) }
  }

  /** Whether the latest edit is still the latest, for its notification with an undo. */
  function asNow(): () => boolean {
    const [id, last] = [openId.value, past.value.at(-1)]
    return () => openId.value === id && past.value.at(-1) === last
  }

  return {
    openId,
    document,
    inGesture,
    past,
    future,
    unsaved,
    savedAt,
    open,
    edit,
    undo,
    redo,
    current,
    asNow,
  }
}

/** Number of values in an entry. */
const weightOf = ({ changes }: HistoryEntry): number =>
  changes.reduce((sum, { from, to }) => sum + lengthOf(from) + lengthOf(to), 0)
const lengthOf = (value: unknown): number => (Array.isArray(value) ? value.length : 1)

/** An unreadable undo history starts again empty; nothing else depends on it. */
const noHistory = (): void => {}
