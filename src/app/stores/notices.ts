import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'

/** Something that was said at the foot of the window, with at most one thing to do about it. */
export interface Notice {
  id: number
  tone: 'plain' | 'trouble'
  text: string
  action?: { label: string; act: () => void }
}

const MOST_SAID = 50

export const useNotices = defineStore('notices', () => {
  const current = ref<Notice>()
  /** All that was said, the newest last. */
  const said = shallowRef<readonly Notice[]>([])
  let count = 0

  function show(notice: Omit<Notice, 'id'>): void {
    current.value = { id: ++count, ...notice }
    said.value = [...said.value.slice(1 - MOST_SAID), current.value]
  }

  const say = (text: string, action?: Notice['action']): void =>
    show({ tone: 'plain', text, ...(action && { action }) })

  /** Something did not work; it stays until it is dismissed or something else is said. */
  const trouble = (text: string, action?: Notice['action']): void =>
    show({ tone: 'trouble', text, ...(action && { action }) })

  function dismiss(): void {
    current.value = undefined
  }

  return { current, said, say, trouble, dismiss }
})

/** What storage and other parts of a browser throw, in words. */
const REASONS: Record<string, string | undefined> = {
  QuotaExceededError: 'there is no room left',
  AbortError: 'it was broken off',
  InvalidStateError: 'the library is closed; reload the page',
  DatabaseClosedError: 'the library is closed; reload the page',
  MissingAPIError: 'it has no storage, as in some private windows',
  OpenFailedError: 'the library cannot be opened; a private window may forbid it',
  VersionError: 'a later version of Unisera has been here; reload the page',
  DataCloneError: 'this cannot be stored',
  NotFoundError: 'it is not there any more',
  UnknownError: 'the browser gives no reason',
}

/** What to say of something that was thrown; never the words or addresses of what it came from. */
export function messageOf(error: unknown): string {
  if (!(error instanceof Error) && !(error instanceof DOMException)) return String(error)
  const inner: unknown = 'inner' in error ? error.inner : undefined
  const named =
    REASONS[error.name] ??
    (inner instanceof Error || inner instanceof DOMException ? REASONS[inner.name] : undefined)
  return named ?? error.message
}
