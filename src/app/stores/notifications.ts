import { errorText } from '../../look/error-text'
import { withTexts } from '../../messages/page'
import { defineStore } from 'pinia'
import { shallowRef, watch } from 'vue'
import { usePreferences, type NotificationKind } from './preferences'

/** A notification with at most one action. */
export interface AppNotification {
  id: number
  atMs: number
  tone: 'plain' | 'trouble'
  text: string
  action?: { label: string; act: () => void }
  /** Whether it still applies; otherwise it disappears. */
  holds?: () => boolean
  /** It is about something in a view, and disappears when that view is left. */
  here?: true
}

const MAX_SAID = 50

export const useNotifications = defineStore('notices', () => {
  const current = shallowRef<AppNotification>()
  /** All notifications, the newest last. */
  const said = shallowRef<readonly AppNotification[]>([])
  let count = 0

  const preferences = usePreferences()

  function note(notice: Omit<AppNotification, 'id' | 'atMs'>): AppNotification {
    const noted = { id: ++count, atMs: Date.now(), ...notice }
    said.value = [...said.value.slice(1 - MAX_SAID), noted]
    return noted
  }

  function show(notice: Omit<AppNotification, 'id' | 'atMs'>): void {
    current.value = note(notice)
  }

  /**
   * A notification about an event: kept in the history, and shown if the person wants such events and no other action
   * is being offered.
   *
   * @param options.quiet it is visible elsewhere, and not shown as a notification
   */
  function tell(
    kind: NotificationKind,
    text: string,
    { holds, quiet = false }: Pick<AppNotification, 'holds'> & { quiet?: boolean } = {},
  ): void {
    const noted = note({ tone: 'plain', text, ...(holds && { holds }) })
    const { notices, toSystem } = preferences.now
    if (!notices[kind]) return
    if (!quiet && !current.value?.action && current.value?.tone !== 'trouble') current.value = noted
    if (toSystem) tellSystem(text, kind)
  }

  const say = (text: string, action?: AppNotification['action'], holds?: AppNotification['holds']): void =>
    show({ tone: 'plain', text, ...(action && { action }), ...(holds && { holds }) })

  /** A problem; it stays until it is dismissed or replaced. */
  const trouble = (
    text: string,
    action?: AppNotification['action'],
    holds?: AppNotification['holds'],
  ): void => show({ tone: 'trouble', text, ...(action && { action }), ...(holds && { holds }) })

  /** A request that is not possible, which is irrelevant in other views. */
  const refuse = (text: string, holds?: AppNotification['holds']): void =>
    show({ tone: 'trouble', text, here: true, ...(holds && { holds }) })

  /** The person opened another view. */
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

/** If the person has allowed it and looks elsewhere. There is one per kind. */
function tellSystem(text: string, kind: NotificationKind): void {
  if (!document.hidden || typeof Notification === 'undefined' || Notification.permission !== 'granted') return
  new Notification('Unisera', { body: text, tag: kind, icon: '/mark.svg' })
}

/** Errors of storage and other parts of a browser, as text. */
const REASONS: Record<string, string | undefined> = withTexts(
  {},
  {
    QuotaExceededError: 'faults.theStorageIsFull',
    AbortError: 'faults.itWasInterrupted',
    InvalidStateError: 'faults.theLibraryIsClosedReloadThePage',
    DatabaseClosedError: 'faults.theLibraryIsClosedReloadThePage',
    MissingAPIError: 'faults.thisBrowserHasNoStorageAsIn',
    OpenFailedError: 'faults.theLibraryCannotBeOpenedAPrivate',
    VersionError: 'faults.aLaterVersionOfUniseraChangedThe',
    DataCloneError: 'faults.thisCannotBeSaved',
    NotFoundError: 'faults.itNoLongerExists',
    UnknownError: 'faults.theBrowserGivesNoReason',
  },
)

/** The message for an error; never the text or address of its cause. */
export function errorMessage(error: unknown): string {
  if (!(error instanceof Error) && !(error instanceof DOMException)) return errorText(error)
  const inner: unknown = 'inner' in error ? error.inner : undefined
  const named =
    REASONS[error.name] ??
    (inner instanceof Error || inner instanceof DOMException ? REASONS[inner.name] : undefined)
  return named ?? errorText(error)
}
