import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowReactive, watch } from 'vue'
import { pluralOf } from '../../core/base/plurals'
import { applyChanges, type Change } from '../../core/edits/changes'
import { refusedSettings } from '../../look/own-storage'
import { EditConflict } from '../database/documents'
import { messageOf, useNotices } from './notices'
import { useStorageCare } from './storage-care'
import { useUnfinished } from './unfinished'

/** Something that is to be stored, in the order it was made for its place. */
export interface Waiting {
  /** What it belongs to: what waits for one place is stored one after the other. */
  place: string
  /** What the place is called. */
  name: string
  /** Of a document: what it changes, shown on top of what is stored for as long as it waits. */
  changes?: readonly Change[]
  /** Of a profile's row: the slot it is to be written to. */
  slot?: number
  /** @throws EditConflict where it cannot be made any more; anything else means that storage refused */
  store(): Promise<void>
  /** Says that it met another change, and was not made. */
  conflicted(error: EditConflict): void
  /** Takes in one that comes after it; false where both are to stay, or it is on its way already. */
  takeIn?(next: Waiting): boolean
}

/** How storing ended: done, or given up because something else was changed in the same place. */
export type Outcome = 'stored' | 'conflict'

/** Between two tries while storage refuses. */
const RETRY_MS = 4000

/** Says that changes to the named places are not stored yet. */
function onlyHere(count: number, names: string): string {
  return pluralOf(count, {
    one: `One change to ${names} is only in this tab.`,
    other: `${count} changes to ${names} are only in this tab.`,
  })
}

/**
 * What is on its way to storage. Where storage refuses, it waits with its place, in order, and is put onto whatever is
 * stored there when storage works again. Until then it is only in this tab, and leaving is guarded.
 */
export const useKeeping = defineStore('keeping', () => {
  const notices = useNotices()
  const care = useStorageCare()
  const unfinished = useUnfinished()
  const queues = shallowReactive(new Map<string, readonly Waiting[]>())
  /** Places that storage refused, and why. */
  const refused = shallowReactive(new Map<string, string>())
  const running = new Set<string>()
  /** Told how storing an item ended. */
  const ended = new WeakMap<Waiting, readonly ((outcome: Outcome) => void)[]>()
  let retry: ReturnType<typeof setTimeout> | undefined

  const waitingFor = (place: string): readonly Waiting[] => queues.get(place) ?? []
  const count = computed(() => [...queues.values()].reduce((sum, { length }) => sum + length, 0))

  /** What there is to say while storage refuses; undefined while it does not. */
  const trouble = computed(() => {
    const [reason] = refused.values()
    if (reason === undefined) return undefined
    const names = [...new Set([...refused.keys()].map((place) => waitingFor(place)[0]?.name))]
    const waiting = [...refused.keys()].reduce((sum, place) => sum + waitingFor(place).length, 0)
    const held = [...refused.keys()].flatMap(waitingFor)
    return [
      `This browser refuses to store: ${reason}.`,
      onlyHere(waiting, names.map((name) => `“${name}”`).join(', ')),
      ...(held.every((item) => item.changes)
        ? ['Files you save and writes to a device include your changes.']
        : []),
      'Keep the tab open: storing is tried again every few seconds.',
    ].join(' ')
  })

  /** Stores something, now or as soon as storage allows it. @returns how that ended, once it has */
  function keep(item: Waiting): Promise<Outcome> {
    care.firstEdit()
    const queue = waitingFor(item.place)
    const last = queue.at(-1)
    const taken = last?.takeIn?.(item)
    const waiting = taken && last ? last : item
    const outcome = new Promise<Outcome>((resolve) => {
      ended.set(waiting, [...(ended.get(waiting) ?? []), resolve])
    })
    set(item.place, taken ? [...queue] : [...queue, item])
    void run(item.place)
    return outcome
  }

  /**
   * Stores what no document's changes describe, such as a document that comes back.
   *
   * @param conflicted what is said when something else was changed in the same place
   */
  const store = (
    place: string,
    name: string,
    act: () => Promise<unknown>,
    conflicted = (why: string) => `“${name}” was not changed: ${why}.`,
  ): Promise<Outcome> =>
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
      if (wasRefused && refused.size === 0) notices.say('All changes are stored now')
    } catch (error) {
      refused.set(place, messageOf(error))
      clearTimeout(retry)
      retry = setTimeout(() => void tryAgain(), RETRY_MS)
    } finally {
      running.delete(place)
    }
  }

  /** Stores what waits, if it can be now. */
  async function tryAgain(): Promise<void> {
    await Promise.all([...refused.keys()].map(run))
  }

  function end(item: Waiting, outcome: Outcome): void {
    for (const resolve of ended.get(item) ?? []) resolve(outcome)
  }

  function drop(place: string): void {
    set(place, waitingFor(place).slice(1))
  }

  function set(place: string, queue: readonly Waiting[]): void {
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

  // A setting holds in this tab; it is stored when storage works again.
  watch(refusedSettings, (settings) => {
    if (settings.size === 0) return
    const stores = [...settings]
    settings.clear()
    for (const [key, act] of stores) void store(`setting ${key}`, 'Settings', async () => act())
  })

  if (typeof window === 'object')
    useEventListener(window, 'beforeunload', (event) => {
      if (count.value > 0) event.preventDefault()
    })

  return { count, refused, trouble, waitingFor, keep, store, tryAgain }
})

/** A document with what waits on top; a change that meets another one is left out, and told when it is stored. */
export const withChanges = <Document>(document: Document, waiting: readonly Waiting[]): Document =>
  waiting.reduce((now, { changes }) => (changes && applyChanges(now, changes)) ?? now, document)
