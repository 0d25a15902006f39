import { shallowRef } from 'vue'

/** The next text for screen readers. The number distinguishes two announcements of the same text. */
export const announcement = shallowRef({ text: '', number: 0 })

/** Announces a change that sighted people can see, without interrupting the screen reader. */
export function announce(text: string): void {
  announcement.value = { text, number: announcement.value.number + 1 }
}
