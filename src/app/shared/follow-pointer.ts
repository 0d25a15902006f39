/** A position on an element, relative to its width and height. */
export interface RelativePosition {
  x: number
  y: number
}

/**
 * Follows a pointer until it is released, for all kinds of dragging.
 *
 * @param moved receives the current and the start position: at once, and with each movement
 * @param ended called when it is released or cancelled
 */
export function followPointer(
  event: PointerEvent,
  element: Element,
  moved: (at: RelativePosition, from: RelativePosition, event: PointerEvent) => void,
  ended: () => void = () => {},
): void {
  const { left, top, width, height } = element.getBoundingClientRect()
  const partOf = ({ clientX, clientY }: PointerEvent): RelativePosition => ({
    x: (clientX - left) / width,
    y: (clientY - top) / height,
  })
  const from = partOf(event)
  const move = (now: Event) => now instanceof PointerEvent && moved(partOf(now), from, now)
  const end = () => {
    element.removeEventListener('pointermove', move)
    element.removeEventListener('pointerup', end)
    element.removeEventListener('pointercancel', end)
    ended()
  }
  element.setPointerCapture(event.pointerId)
  element.addEventListener('pointermove', move)
  element.addEventListener('pointerup', end)
  element.addEventListener('pointercancel', end)
  moved(from, from, event)
}
