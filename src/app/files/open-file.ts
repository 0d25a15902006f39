import { t } from '../../messages/page'
import { createGlobalState } from '@vueuse/core'
import { onScopeDispose, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { FileContent } from '../../core/compile/any-file'
import type { FileKind } from '../../core/files/file-kinds'
import { useReading, type OpenedFile } from './reading'

/** The view for each kind of file. */
const PLACES: Record<FileKind, string> = {
  profile: '/library',
  macros: '/macros',
  library: '/settings#backup',
}

/** The file being opened, shown by one component for all views. */
export const useOpening = createGlobalState(() => {
  const { reading, refusal, read, stop } = useReading()
  /** An opened file on its way to its view. */
  const waiting = shallowRef<OpenedFile>()
  /** Number of mounted views for each kind of file. */
  const takers: Record<FileKind, number> = { profile: 0, macros: 0, library: 0 }

  /** Shows why a file was refused after it had been read. */
  function refuse(file: string, problems: readonly string[]): void {
    refusal.value = { file, problems }
  }

  return { reading, refusal, read, stop, waiting, takers, refuse }
})

/**
 * Opens files, whether selected, dropped, pasted, or passed by the operating system: each is read and validated in a
 * worker and then passed to the view of its kind. Nothing is changed before that view has asked its questions.
 */
export function useOpenFile() {
  const router = useRouter()
  const { read, refuse, waiting, takers } = useOpening()

  async function open(files: readonly File[]): Promise<void> {
    const opened: OpenedFile[] = []
    for (const file of files) {
      const found = await read(file)
      if (!found) return
      opened.push({ name: file.name, found })
    }
    const [first, ...others] = opened
    if (!first) return
    const together = joined([first, ...others])
    if (together) await handOver(together)
    else refuse(first.name, [t('files.youCanOpenSeveralFilesAtOnce')])
  }

  /** Passes an opened file to the view of its kind, which is opened first if necessary. */
  async function handOver(opened: OpenedFile): Promise<void> {
    const { kind } = opened.found
    waiting.value = opened
    if (takers[kind] === 0) await router.push(PLACES[kind])
  }

  return { open, handOver }
}

/** Macros of several files become one; undefined if other documents are among them. */
function joined(opened: readonly [OpenedFile, ...OpenedFile[]]): OpenedFile | undefined {
  const [first] = opened
  if (opened.length === 1) return first
  const macros = opened.flatMap(({ found }) => (found.kind === 'macros' ? [found.macros] : []))
  if (macros.length < opened.length) return undefined
  return { name: first.name, found: { kind: 'macros', macros: macros.flat() } }
}

/**
 * Receives opened files of one kind while a view is mounted, including a waiting one.
 *
 * @param take receives the name of the file and its documents
 */
export function onOpened<Kind extends FileKind>(
  kind: Kind,
  take: (name: string, found: Extract<FileContent, { kind: Kind }>) => unknown,
): void {
  const { waiting, takers } = useOpening()
  const isOfKind = (found: FileContent): found is Extract<FileContent, { kind: Kind }> => found.kind === kind
  takers[kind]++
  onScopeDispose(() => takers[kind]--)
  watch(
    waiting,
    (opened) => {
      if (!opened || !isOfKind(opened.found)) return
      waiting.value = undefined
      void take(opened.name, opened.found)
    },
    { immediate: true },
  )
}
