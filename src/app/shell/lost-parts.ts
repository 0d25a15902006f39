import { useEventListener } from '@vueuse/core'
import { useRouter } from 'vue-router'
import { useNotices } from '../stores/notices'
import { useUnfinished } from '../stores/unfinished'

const CARE_MS = 20_000

/**
 * Parts of the application that cannot be loaded: a newer build has replaced them on the server, the network is away, or
 * what this browser stored of them is spoilt. The person is told, and what is stored is repaired where it can be.
 */
export function useLostParts(): void {
  const notices = useNotices()
  const unfinished = useUnfinished()
  let telling = false

  async function lost(): Promise<void> {
    if (telling) return
    telling = true
    const repaired = await repairStoredBuild()
    const why = repaired
      ? 'The stored copy of Unisera was damaged and has been repaired.'
      : navigator.onLine
        ? 'Unisera may have been updated since this tab was opened.'
        : 'This computer is offline.'
    const text = `A part of Unisera could not be loaded. ${why} Your changes are safe.`
    // A part and what it needs are loaded one by one, so that one request may fail more than once.
    if (notices.current?.text !== text) notices.trouble(text, { label: 'Reload', act: () => void reload() })
    telling = false
  }

  async function reload(): Promise<void> {
    const going = await unfinished.now()
    if (going.length > 0)
      notices.say(
        `The page reloads as soon as this is finished: ${new Intl.ListFormat('en-GB').format(going)}.`,
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

/** What browsers throw when a module cannot be fetched or is not one. */
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
