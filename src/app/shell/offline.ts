import type { Workbox } from 'workbox-window'
import { useNotices } from '../stores/notices'
import { useOfflineUse } from '../stores/offline'
import { useUnfinished } from '../stores/unfinished'

/** Whether there is a newer build is asked this often. */
const LOOK_MS = 30 * 60_000
/** After the first view stands, at the latest. */
const REGISTER_MS = 1500

/**
 * Stores this build, so that it starts without a network, and offers a newer one. It is taken when the person says so and
 * nothing is unfinished in any tab, by all tabs at once.
 */
export function useOffline(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  const offline = useOfflineUse()
  offline.state = navigator.serviceWorker.controller ? 'ready' : 'getting ready'
  navigator.serviceWorker.addEventListener('controllerchange', () => (offline.state = 'ready'))
  const { offerNewer, reloadWhenDone } = useNewerBuild()

  /** Whether a worker controlled this page before: a page that the first worker takes over need not reload. */
  let isControlled = navigator.serviceWorker.controller !== null

  const begin = async () => {
    const { Workbox } = await import('workbox-window')
    const workbox = new Workbox('/sw.js')
    workbox.addEventListener('waiting', () => offerNewer(workbox))
    workbox.addEventListener('controlling', ({ isUpdate, isExternal }) => {
      if (isControlled && (isUpdate || isExternal)) void reloadWhenDone()
      isControlled = true
    })
    // In a browser without storage for pages, the application works only with a network.
    await workbox.register()
    setInterval(() => void workbox.update().catch(() => undefined), LOOK_MS)
  }
  const register = () => void begin().catch(() => (offline.state = 'refused'))
  if ('requestIdleCallback' in window) requestIdleCallback(register, { timeout: REGISTER_MS })
  else setTimeout(register, REGISTER_MS)
}

/** A newer build, and the reload that takes it: neither happens while anything is unfinished. */
function useNewerBuild() {
  const notices = useNotices()
  const unfinished = useUnfinished()
  let reloading = false

  function offerNewer(workbox: Workbox): void {
    notices.say('A newer version of Unisera is available. Every tab reloads when nothing is unfinished.', {
      label: 'Update now',
      act: () => void take(workbox),
    })
  }

  async function take(workbox: Workbox): Promise<void> {
    const going = await unfinished.now()
    if (going.length > 0)
      notices.say(
        `The new version starts as soon as this is finished: ${new Intl.ListFormat('en-GB').format(going)}.`,
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
