/** Fields with typed text since they got the focus: their undo is the browser's. */
const typedIn = new WeakSet<EventTarget>()

if (typeof document === 'object') {
  document.addEventListener('input', ({ target }) => target && typedIn.add(target), true)
  document.addEventListener('focusin', ({ target }) => target && typedIn.delete(target), true)
}

export const isField = (target: EventTarget | null): target is HTMLInputElement =>
  target !== null &&
  'value' in target &&
  'type' in target &&
  ['text', 'search', 'textarea'].includes(`${target.type}`)

/** Whether keys such as Ctrl Z belong to a field, because it has typed text. */
export const isTyping = (target: EventTarget | null): boolean =>
  isField(target) && !target.readOnly && typedIn.has(target) && target.closest('[data-untouched]') === null
