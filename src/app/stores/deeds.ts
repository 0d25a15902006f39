import { defineStore } from 'pinia'
import { shallowReactive } from 'vue'
import { useNotices } from './notices'

/** Where something was done outside an editor. */
export type DeedPlace = 'library' | 'macros' | 'devices' | 'measure'

interface Deed {
  text: string
  undo: () => Promise<unknown>
}

const MOST_DEEDS = 50

/**
 * What was done outside an editor and can be taken back: from the notice that says it, and by Ctrl Z where it was done.
 */
export const useDeeds = defineStore('deeds', () => {
  const notices = useNotices()
  const done = shallowReactive(new Map<DeedPlace, readonly Deed[]>())

  /** @param text what was done, as a sentence without its full stop */
  function say(place: DeedPlace, text: string, undo: Deed['undo']): void {
    const deed = { text, undo }
    done.set(place, [...(done.get(place) ?? []).slice(1 - MOST_DEEDS), deed])
    notices.say(text, { label: 'Undo', act: () => void take(place, deed) })
  }

  async function take(place: DeedPlace, deed: Deed): Promise<void> {
    const deeds = done.get(place) ?? []
    if (!deeds.includes(deed)) return
    done.set(
      place,
      deeds.filter((each) => each !== deed),
    )
    await deed.undo()
    notices.say(`Taken back: ${deed.text}`)
  }

  async function undo(place: DeedPlace): Promise<void> {
    const last = done.get(place)?.at(-1)
    if (last) await take(place, last)
  }

  return { done, say, undo }
})
