import { defineStore } from 'pinia'
import { shallowRef, watch } from 'vue'
import { usePreferences, type NoticeKind } from './preferences'

/** Something that was said at the foot of the window, with at most one thing to do about it. */
export interface Notice {
  id: number
  atMs: number
  tone: 'plain' | 'trouble'
  text: string
  action?: { label: string; act: () => void }
  /** Whether it is still so: when it is not, it goes. */
  holds?: () => boolean
  /** It is about what was tried in a view, and goes when that is left. */
  here?: true
}

const MOST_SAID = 50

export const useNotices = defineStore('notices', () => {
  const current = shallowRef<Notice>()
  /** All that was said, the newest last. */
  const said = shallowRef<readonly Notice[]>([])
  let count = 0

  const preferences = usePreferences()

  function note(notice: Omit<Notice, 'id' | 'atMs'>): Notice {
    const noted = { id: ++count, atMs: Date.now(), ...notice }
    said.value = [...said.value.slice(1 - MOST_SAID), noted]
    return noted
  }

  function show(notice: Omit<Notice, 'id' | 'atMs'>): void {
    current.value = note(notice)
  }

  /**
   * Something that came by itself: kept among what was said, and shown where the person wants to hear of it and is not
   * offered something else to do.
   *
   * @param options.quiet it stands where it belongs as well, and is not shown at the foot
   */
  function tell(
    kind: NoticeKind,
    text: string,
    { holds, quiet = false }: Pick<Notice, 'holds'> & { quiet?: boolean } = {},
  ): void {
    const noted = note({ tone: 'plain', text, ...(holds && { holds }) })
    const { notices, toSystem } = preferences.now
    if (!notices[kind]) return
    if (!quiet && !current.value?.action && current.value?.tone !== 'trouble') current.value = noted
    if (toSystem) tellSystem(text, kind)
  }

  const say = (text: string, action?: Notice['action'], holds?: Notice['holds']): void =>
    show({ tone: 'plain', text, ...(action && { action }), ...(holds && { holds }) })

  /** Something did not work; it stays until it is dismissed or something else is said. */
  const trouble = (text: string, action?: Notice['action'], holds?: Notice['holds']): void =>
    show({ tone: 'trouble', text, ...(action && { action }), ...(holds && { holds }) })

  /** What was asked for is not possible; nobody wants to read that in another view. */
  const refuse = (text: string, holds?: Notice['holds']): void =>
    show({ tone: 'trouble', text, here: true, ...(holds && { holds }) })

  /** The person went to another view. */
  function left(): void {
    if (current.value?.here) dismiss()
  }

  function dismiss(): void {
    current.value = undefined
  }

  watch(
    () => current.value?.holds?.() ?? true,
    (still) => still || dismiss(),
  )

  return { current, said, say, trouble, refuse, left, tell, dismiss }
})

/** Where the person allowed it and looks elsewhere. A kind has one at a time. */
function tellSystem(text: string, kind: NoticeKind): void {
  if (!document.hidden || typeof Notification === 'undefined' || Notification.permission !== 'granted') return
  new Notification('Unisera', { body: text, tag: kind, icon: '/mark.svg' })
}

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
