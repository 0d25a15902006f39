import { listText, t } from '../../messages/page'
import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowReactive, watch } from 'vue'
import { applyChanges, type Change } from '../../core/edits/changes'
import { refusedSettings } from '../../look/own-storage'
import { EditConflict } from '../database/documents'
import { errorMessage, useNotifications } from './notifications'
import { useStorageCare } from './storage-care'
import { useUnfinishedWork } from './unfinished'

/** A change to be stored, in the order of changes at its place. */
export interface QueuedChange {
  /** Changes of one place are stored in sequence. */
  place: string
  /** The name of the place. */
  name: string
  /** For a document: its changes, shown on top of the stored document while they wait. */
  changes?: readonly Change[]
  /** For a profile's row: its slot. */
  slot?: number
  /** @throws EditConflict if it is no longer possible; any other error means that storage failed */
  store(): Promise<void>
  /** Reports a conflict with another change. */
  conflicted(error: EditConflict): void
  /** Merges a later change; false if both must stay separate, or it is being stored already. */
  takeIn?(next: QueuedChange): boolean
}

/** Result of storing: done, or given up because of a conflict. */
export type StoreOutcome = 'stored' | 'conflict'

/** Delay between retries while storage fails. */
const RETRY_MS = 4000

/**
 * Changes on their way to storage. If storage fails, they wait in order and are applied to whatever is stored there
 * when it works again. Until then they only exist in this tab, and leaving it asks first.
 */
export const useStorageQueue = defineStore('keeping', () => {
  const notices = useNotifications()
  const care = useStorageCare()
  const unfinished = useUnfinishedWork()
  const queues = shallowReactive(new Map<string, readonly QueuedChange[]>())
  /** Places for which storage failed, with the reason. */
  const refused = shallowReactive(new Map<string, string>())
  const running = new Set<string>()
  /** Callbacks for the result of an item. */
  const ended = new WeakMap<QueuedChange, readonly ((outcome: StoreOutcome) => void)[]>()
  let retry: ReturnType<typeof setTimeout> | undefined

  const waitingFor = (place: string): readonly QueuedChange[] => queues.get(place) ?? []
  const count = computed(() => [...queues.values()].reduce((sum, { length }) => sum + length, 0))

  /** The message while storage fails; undefined while it works. */
  const trouble = computed(() => {
    const [reason] = refused.values()
    if (reason === undefined) return undefined
    const names = [...new Set([...refused.keys()].map((place) => waitingFor(place)[0]?.name))]
    const waiting = [...refused.keys()].reduce((sum, place) => sum + waitingFor(place).length, 0)
    const held = [...refused.keys()].flatMap(waitingFor)
    return [
      t('stores.thisBrowserCannotSave', { reason }),
      t('stores.changesToExistOnlyInThisTab', {
        count: waiting,
        names: listText(names.map((name) => `“${name}”`)),
      }),
      ...(held.every((item) => item.changes) ? [t('stores.exportedFilesAndWritesToADevice')] : []),
      t('stores.keepThisTabOpenUniseraTriesAgain'),
    ].join(' ')
  })

  /** Stores a change, now or as soon as storage works. @returns the result, once known */
  function keep(item: QueuedChange): Promise<StoreOutcome> {
    care.firstEdit()
    const queue = waitingFor(item.place)
    const last = queue.at(-1)
    const taken = last?.takeIn?.(item)
    const waiting = taken && last ? last : item
    const outcome = new Promise<StoreOutcome>((resolve) => {
      ended.set(waiting, [...(ended.get(waiting) ?? []), resolve])
    })
    set(item.place, taken ? [...queue] : [...queue, item])
    void run(item.place)
    return outcome
  }

  /**
   * Stores something other than changes of a document, such as a restored document.
   *
   * @param conflicted reports a conflict
   */
  const store = (
    place: string,
    name: string,
    act: () => Promise<unknown>,
    conflicted = (why: string) => t('stores.wasNotChanged', { name, reason: why }),
  ): Promise<StoreOutcome> =>
    keep({
      place,
      name,
      store: async () => void (await act()),
      conflicted: ({ message }) => notices.trouble(conflicted(message)),
    })

  async function run(place: string): Promise<void> {
    if (running.has(place)) return
    running.add(place)
    const wasRefused = refused.has(place)
    try {
      for (let item = waitingFor(place)[0]; item; item = waitingFor(place)[0]) {
        try {
          await item.store()
        } catch (error) {
          if (!(error instanceof EditConflict)) throw error
          drop(place)
          item.conflicted(error)
          end(item, 'conflict')
          continue
        }
        drop(place)
        end(item, 'stored')
      }
      refused.delete(place)
      if (wasRefused && refused.size === 0) notices.say(t('stores.allChangesAreSavedNow'))
    } catch (error) {
      refused.set(place, errorMessage(error))
      clearTimeout(retry)
      retry = setTimeout(() => void tryAgain(), RETRY_MS)
    } finally {
      running.delete(place)
    }
  }

  /** Stores waiting changes if possible now. */
  async function tryAgain(): Promise<void> {
    await Promise.all([...refused.keys()].map(run))
  }

  function end(item: QueuedChange, outcome: StoreOutcome): void {
    for (const resolve of ended.get(item) ?? []) resolve(outcome)
  }

  function drop(place: string): void {
    set(place, waitingFor(place).slice(1))
  }

  function set(place: string, queue: readonly QueuedChange[]): void {
    if (queue.length > 0) queues.set(place, queue)
    else {
      queues.delete(place)
      refused.delete(place)
    }
  }

  let storedAll = () => {}
  watch(
    () => count.value > 0,
    (storing) => {
      storedAll()
      storedAll = storing ? unfinished.begin('store') : () => {}
    },
  )

  // A setting applies in this tab, and is stored when storage works again.
  watch(refusedSettings, (settings) => {
    if (settings.size === 0) return
    const stores = [...settings]
    settings.clear()
    for (const [key, act] of stores) void store(`setting ${key}`, t('stores.settings'), async () => act())
  })

  if (typeof window === 'object')
    useEventListener(window, 'beforeunload', (event) => {
      if (count.value > 0) event.preventDefault()
    })

  return { count, refused, trouble, waitingFor, keep, store, tryAgain }
})

/** A document with its waiting changes; a conflicting one is left out, and reported when it is stored. */
export const applyQueued = <Document>(document: Document, waiting: readonly QueuedChange[]): Document =>
  waiting.reduce((now, { changes }) => (changes && applyChanges(now, changes)) ?? now, document)
