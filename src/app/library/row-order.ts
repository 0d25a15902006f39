import { shallowRef, watch, type Ref } from 'vue'
import type { LibraryEntry } from '../database/library'

/** Where something held over the list would come to stand: before that place, counted from 0. */
type Gap = number

/** What a row does while it, or what is held over it, is dragged. */
export interface RowDragging {
  dragstart: (event: DragEvent, entry: LibraryEntry) => void
  dragover: (event: DragEvent, place: number) => void
  drop: (event: DragEvent) => void
  dragend: () => void
}

/**
 * The order of the list by hand: by keys and from the menu, where what is moved keeps the focus, and by dragging.
 *
 * @param list the element that holds the rows, each with its place in `data-place`
 * @param shown ids of the rows, in order
 * @param put puts a profile to a place, counted from 0
 */
export function useRowOrder(
  list: () => HTMLElement | undefined,
  shown: () => readonly string[],
  put: (id: string, to: number) => Promise<void>,
) {
  const held = shallowRef<string>()
  const gap: Ref<Gap | undefined> = shallowRef()

  // Rows are filled by place: what has the focus has to follow its profile by hand.
  let followed: string | undefined
  const nameAt = (place: number) =>
    list()?.querySelector<HTMLElement>(`[data-place="${place}"]`)?.querySelector<HTMLElement>('a')
  function move({ id }: LibraryEntry, to: number): void {
    followed = id
    void put(id, to)
  }
  watch(
    shown,
    (ids) => {
      if (followed !== undefined) nameAt(ids.indexOf(followed))?.focus()
      followed = undefined
    },
    { flush: 'post' },
  )

  const dragging: RowDragging = {
    dragstart(event, { id, profile }) {
      held.value = id
      event.dataTransfer?.setData('text/plain', profile.name)
    },
    /** Over the upper half of a row is before it, over the lower half after it. */
    dragover(event, place) {
      if (held.value === undefined) return
      event.preventDefault()
      event.stopPropagation()
      if (!(event.currentTarget instanceof HTMLElement)) return
      const { top, height } = event.currentTarget.getBoundingClientRect()
      gap.value = event.clientY < top + height / 2 ? place : place + 1
    },
    drop(event) {
      const [id, to] = [held.value, gap.value]
      if (id === undefined || to === undefined) return
      event.preventDefault()
      event.stopPropagation()
      const from = shown().indexOf(id)
      void put(id, to > from ? to - 1 : to)
    },
    dragend() {
      held.value = undefined
      gap.value = undefined
    },
  }
  return { gap, move, dragging }
}
