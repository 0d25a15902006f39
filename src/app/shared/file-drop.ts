import { ref } from 'vue'

/** Files dropped onto a view. @returns whether something is held over it, and the listeners that tell */
export function useFileDrop(take: (files: File[]) => void) {
  const over = ref(false)
  const dropping = {
    dragover(event: DragEvent) {
      event.preventDefault()
      over.value = true
    },
    dragleave: () => void (over.value = false),
    drop(event: DragEvent) {
      event.preventDefault()
      over.value = false
      take([...(event.dataTransfer?.files ?? [])])
    },
  }
  return { over, dropping }
}
