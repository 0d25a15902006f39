import { watch } from 'vue'
import { useKeeping } from '../stores/keeping'
import { useNotices } from '../stores/notices'

/** After the first view stands. */
const REGISTER_MS = 3000
/** Whether there is a newer build is asked this often. */
const LOOK_MS = 30 * 60_000

/**
 * Keeps this build for later, so that it starts without a network, and offers a newer one: it is taken when the person
 * says so, by all tabs at once, each when what it has is stored.
 */
export function useOffline(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  const notices = useNotices()
  const keeping = useKeeping()
  setTimeout(() => void begin().catch(() => undefined), REGISTER_MS)

  async function begin(): Promise<void> {
    const { Workbox } = await import('workbox-window')
    const workbox = new Workbox('/sw.js')
    let takenOver = false
    workbox.addEventListener('waiting', () =>
      notices.say('A newer version of Unisera is here. What is not stored yet is stored first.', {
        label: 'Take it',
        act: () => workbox.messageSkipWaiting(),
      }),
    )
    workbox.addEventListener('controlling', ({ isUpdate, isExternal }) => {
      if ((!isUpdate && !isExternal) || takenOver) return
      takenOver = true
      watch(
        () => keeping.count,
        (count) => count === 0 && location.reload(),
        { immediate: true },
      )
    })
    // A browser that keeps nothing for pages goes on without: what is there works, with a network.
    await workbox.register()
    setInterval(() => void workbox.update().catch(() => undefined), LOOK_MS)
  }
}
