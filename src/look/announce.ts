import { shallowRef } from 'vue'

/** What a screen reader is to say next. The number tells two announcements of the same words apart. */
export const announcement = shallowRef({ text: '', number: 0 })

/** Has a screen reader say something that people with sight can see happen, after what it is saying now. */
export function announce(text: string): void {
  announcement.value = { text, number: announcement.value.number + 1 }
}
