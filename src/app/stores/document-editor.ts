import { computed, ref, shallowRef, watch, type ComputedRef } from 'vue'
import { applyChanges, reversed, type Change } from '../../core/edits/changes'
import { sameValue } from '../../core/base/same-value'
import { EditRefused } from '../../core/wording/refused'
import { DocumentGone, type EditConflict, type History } from '../database/documents'
import type { HistoryEntry } from '../database/library-database'
import { handRest } from './hand-rest'
import { useKeeping, withChanges, type Waiting } from './keeping'
import type { EditName } from './edit-words'
import { useNotices } from './notices'

/** Where the documents of one kind are, and how they differ. */
export interface DocumentSource<Document> {
  table: string
  /** As it is stored, as far as is known here. */
  stored(id: string): Document | undefined
  changes(before: Document, after: Document): Change[]
  /** @throws EditConflict */
  store(id: string, edit: { changes: Change[]; after?: Document }, history: History): Promise<void>
  /** Whether this tab made the stored version. */
  isOwn(id: string): boolean
  /** Stores a document that was deleted elsewhere again, under its id. @throws where storage refuses */
  restore(id: string, document: Document): Promise<unknown>
  history(id: string): Promise<History | undefined>
  /** Edits that wait behind another become one, not only those of a gesture; for documents that come many a second. */
  merges?: true
}

/** When this tab opened. Earlier edits do not belong to it. */
const startedAt = Date.now()

/** Whether two changes are of one place, or one of them is of a place within the other's. */
const meet = (one: Change, other: Change): boolean =>
  one.path.slice(0, other.path.length).every((key, at) => key === other.path[at])

const GESTURE_MS = 1200
/** What is kept to be taken back: so many edits, of so many changed values in all. */
const MOST_HISTORY = 200
const MOST_KEPT_WEIGHT = 40_000

type Doing = 'edit' | 'undo' | 'redo'

/** An edit on its way to storage, with those it took in. */
type EditWaiting = Waiting & {
  changes: readonly Change[]
  /** The gesture it goes on with. */
  goesOn: string | undefined
  /** Whether it is being stored: then it takes in no other. */
  begun: boolean
  entries: (HistoryEntry | undefined)[]
}
const isEdit = (item: Waiting): item is EditWaiting => 'goesOn' in item

/**
 * The document that is open, its edits, and their undo. What is shown is what is stored with the edits that wait on
 * top: an edit that storage refused is part of the document everywhere, and is put onto whatever is stored later.
 */
export function documentEditor<Document extends { name: string }>(source: DocumentSource<Document>) {
  const keeping = useKeeping()
  const notices = useNotices()
  const openId = ref<string>()
  const past = shallowRef<HistoryEntry[]>([])
  const future = shallowRef<HistoryEntry[]>([])
  const savedAt = ref<number>()
  /** What can be taken back of documents that were open before; what storage refused is in none but this. */
  const left = new Map<string, History>()

  const hand = handRest()
  /** Whether the last edit went on with the gesture of the one before: more of them are likely to follow at once. */
  const inGesture = shallowRef(false)

  const place = (id: string) => `${source.table} ${id}`
  const waiting = (id: string) => keeping.waitingFor(place(id))

  /** Any document as it is here: stored, with what waits. */
  function current(id: string): Document | undefined {
    const stored = source.stored(id)
    return stored && withChanges(stored, waiting(id))
  }

  const document: ComputedRef<Document | undefined> = computed<Document | undefined>((before) => {
    const now = openId.value === undefined ? undefined : current(openId.value)
    return before && now && sameValue(before, now) ? before : now
  })
  const unsaved = computed(() => openId.value !== undefined && keeping.refused.has(place(openId.value)))

  /** Names an edit of this tab that another tab replaced, so that the player notices. */
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
      const { editText } = await import('./edit-words')
      notices.trouble(`Another tab changed what you edited here: ${editText(mine.label)}`)
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
      // Edits made meanwhile are newer than what was kept.
      if (!kept || openId.value !== id || past.value.length > 0 || future.value.length > 0) return
      past.value = kept.past
      future.value = kept.future
    }, noHistory)
  }

  /**
   * Makes an edit: here at once, in storage as soon as it can be.
   *
   * @param label what it is called: a key of edit-words.ts, with its facts
   * @param change from the document as it is to the document as it will be
   * @param of the gesture it belongs to: edits that follow each other under one name are undone as one
   * @returns why it was refused, or undefined when it was made
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
      if (error instanceof EditRefused) return error.message
      throw error
    }
  }

  const undo = () => move('undo', past, future, reversed)
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
    // Where it meets another change the storage says so, and what that was.
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
        // A drag makes a state each frame: those between need not be stored. It rests before it stores, for what is
        // stored and still waits would be put onto itself.
        if (goesOn !== undefined || item.entries.length > 1) await hand.rest()
        item.begun = true
        await source.store(id, { changes: [...item.changes], ...(after && { after }) }, kept())
        savedAt.value = Date.now()
      },
      conflicted: (error: EditConflict) => {
        // What was not made cannot be taken back, nor made again.
        past.value = past.value.filter((each) => !item.entries.includes(each))
        future.value = future.value.filter((each) => !item.entries.includes(each))
        void refuse(
          doing,
          label,
          error.message,
          error instanceof DocumentGone ? { id, document: whole } : undefined,
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
    const what = { edit: 'was not made', undo: 'was not taken back', redo: 'was not made again' }[doing]
    // Words of all edits are not for the first view.
    const { editText } = await import('./edit-words')
    const words = `“${editText(label)}” ${what}: ${why}.`
    if (!gone?.document) return notices.trouble(words)
    const { id, document: held } = gone
    notices.trouble(`${words} This tab still holds “${held.name}” as it was.`, {
      label: 'Store it again',
      act: () => void keeping.store(place(id), held.name, () => source.restore(id, held)),
    })
  }

  /** @returns whether it went on with the gesture of the edit before */
  function remember(next: HistoryEntry, before: Document, after: Document): boolean {
    const last = past.value.at(-1)
    const same =
      last?.gesture !== undefined && last.gesture === next.gesture && next.atMs - last.atMs < GESTURE_MS
    const origin = same ? applyChanges(before, reversed(last.changes)) : undefined
    past.value = origin
      ? [...past.value.slice(0, -1), { ...next, changes: source.changes(origin, after) }]
      : [...past.value.slice(1 - MOST_HISTORY), next]
    return origin !== undefined
  }

  /** As much of the history as is stored with the document, the newest first taken. */
  function kept(): History {
    let room = MOST_KEPT_WEIGHT
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

  /** Whether what was done last is still that: for what is said of it, with an undo. */
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

/** How many values an entry holds. */
const weightOf = ({ changes }: HistoryEntry): number =>
  changes.reduce((sum, { from, to }) => sum + lengthOf(from) + lengthOf(to), 0)
const lengthOf = (value: unknown): number => (Array.isArray(value) ? value.length : 1)

/** Undo that cannot be read back is undo that begins anew; nothing else depends on it. */
const noHistory = (): void => {}
