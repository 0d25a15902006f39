import { defineStore } from 'pinia'
import { ref } from 'vue'

/** Something that was said at the foot of the window, with at most one thing to do about it. */
export interface Notice {
  id: number
  tone: 'plain' | 'trouble'
  text: string
  action?: { label: string; act: () => void }
}

export const useNotices = defineStore('notices', () => {
  const current = ref<Notice>()
  let count = 0

  function say(text: string, action?: Notice['action']): void {
    current.value = { id: ++count, tone: 'plain', text, action }
  }

  /** Something did not work; it stays until it is dismissed or something else is said. */
  function trouble(text: string, action?: Notice['action']): void {
    current.value = { id: ++count, tone: 'trouble', text, action }
  }

  function dismiss(): void {
    current.value = undefined
  }

  return { current, say, trouble, dismiss }
})

/** What to say of something that was thrown. */
export const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error))
