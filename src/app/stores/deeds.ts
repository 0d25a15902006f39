import { defineStore } from 'pinia'
import { shallowReactive } from 'vue'
import { useKeeping } from './keeping'
import { useNotices } from './notices'

/** Where something was done outside an editor. */
export type DeedPlace = 'library' | 'macros' | 'devices' | 'measure'

/**
 * How an undo ended: done; not done, so that it can be tried again; or impossible, because something else has changed
 * since.
 */
export type UndoOutcome = 'undone' | 'not undone' | 'impossible'

interface Deed {
  text: string
  undo: () => Promise<UndoOutcome>
}

const MOST_DEEDS = 50

/**
 * What was done outside an editor and can be undone: from the notice that reports it, and by Ctrl Z in the same view. An
 * undo leaves the list only when its result is stored.
 */
export const useDeeds = defineStore('deeds', () => {
  const notices = useNotices()
  const keeping = useKeeping()
  const done = shallowReactive(new Map<DeedPlace, readonly Deed[]>())
  /** Undos that have started, and may wait for storage. */
  const underWay = new Map<Deed, Promise<void>>()
  let count = 0

  /** @param text what was done, as a sentence without its full stop */
  function say(place: DeedPlace, text: string, undo: Deed['undo']): void {
    const deed = { text, undo }
    done.set(place, [...(done.get(place) ?? []).slice(1 - MOST_DEEDS), deed])
    notices.say(text, { label: 'Undo', act: () => void take(place, deed) })
  }

  /**
   * The same for a deed whose undo is stored: where storage refuses, the undo waits its turn.
   *
   * @param at the place in the queue, where something else may wait to be stored before it
   * @param act undoes it in storage; throws where storage refuses
   */
  function sayStored(place: DeedPlace, text: string, act: () => Promise<unknown>, at?: string): void {
    const queue = at ?? `undo ${++count}`
    const conflicted = (why: string) => `“${text}” was not undone: ${why}.`
    say(place, text, async () =>
      (await keeping.store(queue, text, act, conflicted)) === 'stored' ? 'undone' : 'impossible',
    )
  }

  async function take(place: DeedPlace, deed: Deed): Promise<void> {
    if (!done.get(place)?.includes(deed)) return
    if (underWay.has(deed)) return keeping.tryAgain()
    const ended = finish(place, deed).finally(() => underWay.delete(deed))
    underWay.set(deed, ended)
    await ended
  }

  async function finish(place: DeedPlace, deed: Deed): Promise<void> {
    const outcome = await deed.undo()
    if (outcome === 'not undone') return
    const rest = (done.get(place) ?? []).filter((each) => each !== deed)
    done.set(place, rest)
    if (outcome === 'undone') notices.say(`Undone: ${deed.text}`)
  }

  /** Undoes the last deed. If its undo is still being stored, waits for it and undoes the one before. */
  async function undo(place: DeedPlace): Promise<void> {
    const last = done.get(place)?.at(-1)
    if (!last) return
    const started = underWay.get(last)
    if (!started || keeping.trouble) return take(place, last)
    await started
    await undo(place)
  }

  return { done, say, sayStored, undo }
})
