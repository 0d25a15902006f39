import { shallowRef, watch, type Ref } from 'vue'
import type { LibraryEntry } from '../database/library'

/** Drop position over the list: before this index, counted from 0. */
type Gap = number

/** Drag events of a row. */
export interface RowDragging {
  dragstart: (event: DragEvent, entry: LibraryEntry) => void
  dragover: (event: DragEvent, place: number) => void
  drop: (event: DragEvent) => void
  dragend: () => void
}

/**
 * Manual order of the list: by keys and menu, where the moved row keeps the focus, and by dragging.
 *
 * @param list the element with the rows, each with its index in `data-place`
 * @param shown ids of the rows, in order
 * @param put moves a profile to an index, counted from 0
 */
export function useRowOrder(
  list: () => HTMLElement | undefined,
  shown: () => readonly string[],
  put: (id: string, to: number) => Promise<void>,
) {
  const held = shallowRef<string>()
  const gap: Ref<Gap | undefined> = shallowRef()

  // Rows are reused by position, so the focus must follow its profile.
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
    /** The upper half of a row means before it, the lower half after it. */
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
