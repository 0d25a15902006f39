import { t } from '../../messages/page'
import { useEventListener } from '@vueuse/core'
import { useRouter } from 'vue-router'
import { useNotifications } from '../stores/notifications'
import { useUnfinishedWork } from '../stores/unfinished'

const CARE_MS = 20_000

/**
 * Parts of the application that cannot be loaded: a newer build has replaced them on the server, there is no network,
 * or this browser's stored copy is damaged. The person is informed, and the stored copy is repaired if possible.
 */
export function useLostParts(): void {
  const notices = useNotifications()
  const unfinished = useUnfinishedWork()
  let telling = false

  async function lost(): Promise<void> {
    if (telling) return
    telling = true
    const repaired = await repairStoredBuild()
    const why = repaired
      ? t('shell.theStoredCopyOfUniseraWasDamaged')
      : navigator.onLine
        ? t('shell.uniseraMayHaveBeenUpdatedSinceYou')
        : t('shell.thisComputerIsOffline')
    const text = t('shell.aPartOfUniseraCouldNotBe', { reason: why })
    // A part and its dependencies are loaded individually, so several requests may fail.
    if (notices.current?.text !== text)
      notices.trouble(text, { label: t('shell.reload'), act: () => void reload() })
    telling = false
  }

  async function reload(): Promise<void> {
    const going = await unfinished.now()
    if (going.length > 0)
      notices.say(
        t('shell.thePageReloadsWhenThisIsFinished', { tasks: new Intl.ListFormat('en-GB').format(going) }),
      )
    await unfinished.ended()
    location.reload()
  }

  useEventListener(window, 'vite:preloadError', (event: Event) => {
    event.preventDefault()
    void lost()
  })
  const router = useRouter()
  router.onError((error: unknown) => {
    if (!isLoadFailure(error)) throw error
    void lost()
  })
}

/** Errors of browsers for modules that cannot be fetched or are invalid. */
const isLoadFailure = (error: unknown): boolean => error instanceof TypeError || error instanceof SyntaxError

/** Asks the service worker to verify its stored files. @returns whether it replaced any */
async function repairStoredBuild(): Promise<boolean> {
  const worker = 'serviceWorker' in navigator ? navigator.serviceWorker.controller : null
  if (!worker) return false
  const { port1, port2 } = new MessageChannel()
  const answer = new Promise<{ repaired: number } | undefined>((resolve) => {
    port1.onmessage = ({ data }: MessageEvent<{ repaired: number } | undefined>) => resolve(data)
    setTimeout(() => resolve(undefined), CARE_MS)
  })
  worker.postMessage({ type: 'CARE' }, [port2])
  return ((await answer)?.repaired ?? 0) > 0
}
