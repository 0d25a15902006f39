import { t } from '../../messages/page'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { useNotifications } from './notifications'

/** A library with all its saved versions is smaller. */
const MIN_LEFT_BYTES = 20 << 20

/**
 * How well this browser protects stored data: permanently, or until it needs the room. Permanent storage is requested
 * with the first edit.
 */
export const useStorageCare = defineStore('storage care', () => {
  const notices = useNotifications()
  /** Undefined if the browser does not report it. */
  const keptForGood = ref<boolean>()
  const room = shallowRef<{ usedBytes: number; leftBytes: number }>()
  let asked = false

  /** Older browsers only have some of these functions. */
  const storage: Partial<StorageManager> | undefined =
    typeof navigator === 'object' && 'storage' in navigator ? navigator.storage : undefined

  async function look(): Promise<void> {
    keptForGood.value = await storage?.persisted?.().catch(() => undefined)
    const estimate = await storage?.estimate?.().catch(() => undefined)
    const { usage = 0, quota = 0 } = estimate ?? {}
    room.value = estimate && { usedBytes: usage, leftBytes: Math.max(0, quota - usage) }
  }

  let lowReported = false
  /** Warned once when little room is left, and again after there was more. */
  async function lookAtRoom(): Promise<void> {
    await look()
    if (!room.value) return
    const low = room.value.leftBytes < MIN_LEFT_BYTES
    if (low && !lowReported)
      notices.tell('storage', t('stores.browserStorageIsAlmostFull'), {
        holds: () => (room.value?.leftBytes ?? 0) < MIN_LEFT_BYTES,
      })
    lowReported = low
  }

  /** @returns whether storage is permanent now */
  async function ask(): Promise<boolean> {
    await storage?.persist?.().catch(() => false)
    await look()
    return keptForGood.value === true
  }

  /** The person's data is stored for the first time in this tab. */
  function firstEdit(): void {
    if (asked || !storage) return
    asked = true
    void look().then(() => (keptForGood.value === false ? ask() : undefined))
  }

  return { keptForGood, room, look, lookAtRoom, ask, firstEdit }
})
