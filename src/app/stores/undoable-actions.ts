import { t } from '../../messages/page'
import { defineStore } from 'pinia'
import { shallowReactive } from 'vue'
import { useStorageQueue } from './storage-queue'
import { useNotifications } from './notifications'

/** The view in which something was done outside an editor. */
export type ActionPlace = 'library' | 'macros' | 'programs' | 'devices' | 'measure'

/**
 * Result of an undo: done; not done, so that it can be tried again; or impossible, because something else has changed
 * since.
 */
export type UndoOutcome = 'undone' | 'not undone' | 'impossible'

interface Deed {
  text: string
  undo: () => Promise<UndoOutcome>
}

const MAX_DEEDS = 50

/**
 * Actions outside an editor that can be undone: from their notification, and by Ctrl Z in the same view. An undo leaves
 * the list only when its result is stored.
 */
export const useUndoableActions = defineStore('deeds', () => {
  const notices = useNotifications()
  const keeping = useStorageQueue()
  const done = shallowReactive(new Map<ActionPlace, readonly Deed[]>())
  /** Undos in progress, which may wait for storage. */
  const underWay = new Map<Deed, Promise<void>>()
  let count = 0

  /** @param text the action, as a sentence without its full stop */
  function say(place: ActionPlace, text: string, undo: Deed['undo']): void {
    const deed = { text, undo }
    done.set(place, [...(done.get(place) ?? []).slice(1 - MAX_DEEDS), deed])
    notices.say(text, { label: t('stores.undo'), act: () => void take(place, deed) })
  }

  /**
   * The same for an action whose undo is stored: if storage fails, the undo waits in its queue.
   *
   * @param at the queue, in which something else may wait before it
   * @param act undoes it in storage; throws if storage fails
   */
  function sayStored(place: ActionPlace, text: string, act: () => Promise<unknown>, at?: string): void {
    const queue = at ?? `undo ${++count}`
    const conflicted = (why: string) => t('stores.wasNotUndone', { edit: text, reason: why })
    say(place, text, async () =>
      (await keeping.store(queue, text, act, conflicted)) === 'stored' ? 'undone' : 'impossible',
    )
  }

  async function take(place: ActionPlace, deed: Deed): Promise<void> {
    if (!done.get(place)?.includes(deed)) return
    if (underWay.has(deed)) return keeping.tryAgain()
    const ended = finish(place, deed).finally(() => underWay.delete(deed))
    underWay.set(deed, ended)
    await ended
  }

  async function finish(place: ActionPlace, deed: Deed): Promise<void> {
    const outcome = await deed.undo()
    if (outcome === 'not undone') return
    const rest = (done.get(place) ?? []).filter((each) => each !== deed)
    done.set(place, rest)
    if (outcome === 'undone') notices.say(t('stores.undone', { edit: deed.text }))
  }

  /** Undoes the latest action. If its undo is still being stored, waits for it and undoes the previous one. */
  async function undo(place: ActionPlace): Promise<void> {
    const last = done.get(place)?.at(-1)
    if (!last) return
    const started = underWay.get(last)
    if (!started || keeping.trouble) return take(place, last)
    await started
    await undo(place)
  }

  return { done, say, sayStored, undo }
})
