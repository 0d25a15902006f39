import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { useNotices } from './notices'

/** A library with all its earlier states is smaller. */
const LEAST_LEFT_BYTES = 20 << 20

/**
 * How well this browser keeps what is stored: for good, or until it needs the room. It is asked for good when the first
 * edit of a person's own is made.
 */
export const useStorageCare = defineStore('storage care', () => {
  const notices = useNotices()
  /** Undefined where the browser does not say. */
  const keptForGood = ref<boolean>()
  const room = shallowRef<{ usedBytes: number; leftBytes: number }>()
  let asked = false

  /** Older browsers have only some of its functions. */
  const storage: Partial<StorageManager> | undefined =
    typeof navigator === 'object' && 'storage' in navigator ? navigator.storage : undefined

  async function look(): Promise<void> {
    keptForGood.value = await storage?.persisted?.().catch(() => undefined)
    const estimate = await storage?.estimate?.().catch(() => undefined)
    const { usage = 0, quota = 0 } = estimate ?? {}
    room.value = estimate && { usedBytes: usage, leftBytes: Math.max(0, quota - usage) }
  }

  let saidLow = false
  /** Said once when little room is left, and again when it was more in between. */
  async function lookAtRoom(): Promise<void> {
    await look()
    if (!room.value) return
    const low = room.value.leftBytes < LEAST_LEFT_BYTES
    if (low && !saidLow)
      notices.tell(
        'storage',
        'Little room is left for this page in the browser. What is stored is safe; save a backup in Settings, and make room on the disk.',
        { holds: () => (room.value?.leftBytes ?? 0) < LEAST_LEFT_BYTES },
      )
    saidLow = low
  }

  /** @returns whether it is kept for good now */
  async function ask(): Promise<boolean> {
    await storage?.persist?.().catch(() => false)
    await look()
    return keptForGood.value === true
  }

  /** Something of the person's own is stored for the first time in this tab. */
  function firstEdit(): void {
    if (asked || !storage) return
    asked = true
    void look().then(() => (keptForGood.value === false ? ask() : undefined))
  }

  return { keptForGood, room, look, lookAtRoom, ask, firstEdit }
})
