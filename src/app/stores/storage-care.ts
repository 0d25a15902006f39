import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'

/**
 * How well this browser keeps what is stored: for good, or until it needs the room. It is asked for good when the first
 * edit of a person's own is made.
 */
export const useStorageCare = defineStore('storage care', () => {
  /** Undefined where the browser does not say. */
  const keptForGood = ref<boolean>()
  const room = shallowRef<{ usedBytes: number; leftBytes: number }>()
  let asked = false

  const storage = typeof navigator === 'object' && 'storage' in navigator ? navigator.storage : undefined

  async function look(): Promise<void> {
    keptForGood.value = await storage?.persisted?.().catch(() => undefined)
    const estimate = await storage?.estimate?.().catch(() => undefined)
    const { usage = 0, quota = 0 } = estimate ?? {}
    room.value = estimate && { usedBytes: usage, leftBytes: Math.max(0, quota - usage) }
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

  return { keptForGood, room, look, ask, firstEdit }
})
