import { t } from '../../messages/page'
import type { Workbox } from 'workbox-window'
import { useNotifications } from '../stores/notifications'
import { useOfflineUse } from '../stores/offline'
import { useUnfinishedWork } from '../stores/unfinished'

/** How often a newer build is checked for. */
const LOOK_MS = 30 * 60_000
/** After the first view, at the latest. */
const REGISTER_MS = 1500

/**
 * Stores this build, so that it starts without a network, and offers a newer one, which all tabs load together when the
 * person agrees and nothing is unfinished in any of them.
 */
export function useOffline(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  const offline = useOfflineUse()
  offline.state = navigator.serviceWorker.controller ? 'ready' : 'getting ready'
  navigator.serviceWorker.addEventListener('controllerchange', () => (offline.state = 'ready'))
  const { offerNewer, reloadWhenDone } = useNewerBuild()

  /** Whether a worker controlled this page before: a page taken over by the first worker need not reload. */
  let isControlled = navigator.serviceWorker.controller !== null

  const begin = async () => {
    const { Workbox } = await import('workbox-window')
    const workbox = new Workbox('/sw.js')
    workbox.addEventListener('waiting', () => offerNewer(workbox))
    workbox.addEventListener('controlling', ({ isUpdate, isExternal }) => {
      if (isControlled && (isUpdate || isExternal)) void reloadWhenDone()
      isControlled = true
    })
    // In a browser without storage for pages, the application needs a network.
    await workbox.register()
    setInterval(() => void workbox.update().catch(() => undefined), LOOK_MS)
  }
  const register = () => void begin().catch(() => (offline.state = 'refused'))
  if ('requestIdleCallback' in window) requestIdleCallback(register, { timeout: REGISTER_MS })
  else setTimeout(register, REGISTER_MS)
}

/** A newer build, and the reload for it: neither happens while anything is unfinished. */
function useNewerBuild() {
  const notices = useNotifications()
  const unfinished = useUnfinishedWork()
  let reloading = false

  function offerNewer(workbox: Workbox): void {
    notices.say(t('shell.aNewerVersionOfUniseraIsAvailable'), {
      label: t('shell.updateNow'),
      act: () => void take(workbox),
    })
  }

  async function take(workbox: Workbox): Promise<void> {
    const going = await unfinished.now()
    if (going.length > 0)
      notices.say(
        t('shell.theNewVersionStartsWhenThisIs', { tasks: new Intl.ListFormat('en-GB').format(going) }),
      )
    await unfinished.ended()
    workbox.messageSkipWaiting()
  }

  async function reloadWhenDone(): Promise<void> {
    if (reloading) return
    reloading = true
    await unfinished.ended()
    location.reload()
  }

  return { offerNewer, reloadWhenDone }
}
