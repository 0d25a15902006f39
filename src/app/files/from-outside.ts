import { useEventListener } from '@vueuse/core'
import { ref, type Ref } from 'vue'
import { useRouter } from 'vue-router'
import { extractShared } from '../../core/share/link'
import { useOpenFile } from './open-file'

/** Marks an element that accepts dropped files itself, such as the palettes dialog. */
const OWN_PLACE = '[data-takes-files], .v-file-upload'

/**
 * Accepts files dropped on an element. VueUse's `useDropZone` refuses everything else dragged over its element, which
 * on the whole page would include every action dragged to an input.
 *
 * @returns whether files are held over the element
 */
export function useFilesDroppedOn(
  target: Document | Readonly<Ref<HTMLElement | null>>,
  take: (files: readonly File[], event: DragEvent) => void,
): Readonly<Ref<boolean>> {
  const over = ref(false)
  useEventListener(target, ['dragenter', 'dragover'], (event: DragEvent) => {
    if (!event.dataTransfer?.types.includes('Files')) return
    event.preventDefault()
    over.value = true
  })
  useEventListener(target, 'dragleave', ({ currentTarget, relatedTarget }: DragEvent) => {
    const within = currentTarget instanceof Node && relatedTarget instanceof Node
    if (!within || !currentTarget.contains(relatedTarget)) over.value = false
  })
  useEventListener(target, 'drop', (event: DragEvent) => {
    over.value = false
    const files = [...(event.dataTransfer?.files ?? [])]
    if (files.length === 0) return
    event.preventDefault()
    take(files, event)
  })
  return over
}

/**
 * Opens files from outside the page: dropped anywhere, pasted, or opened with the installed application (File Handling
 * API). A pasted link to a profile is opened as well.
 *
 * @returns whether files are held over the page
 */
export function useFilesFromOutside(): Readonly<Ref<boolean>> {
  const { open } = useOpenFile()
  const router = useRouter()
  const over = useFilesDroppedOn(document, (files, { target }) => {
    if (!(target instanceof Element && target.closest(OWN_PLACE))) void open(files)
  })

  useEventListener(document, 'paste', ({ target, clipboardData }) => {
    if (target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) return
    const files = [...(clipboardData?.files ?? [])]
    const text = clipboardData?.getData('text/plain') ?? ''
    if (files.length > 0) void open(files)
    else if (/\/open#[\w-]+\s*$/.test(text))
      void router.push({ path: '/open', hash: `#${extractShared(text)}` })
  })

  window.launchQueue?.setConsumer(({ files }) => {
    void Promise.all(files.map((file) => file.getFile())).then(open)
  })
  return over
}
