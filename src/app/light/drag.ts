/** A place on an element, in parts of its width and height. */
export interface Part {
  x: number
  y: number
}

/**
 * Follows a pointer from where it went down until it comes up.
 *
 * @param moved told where it is and where it began, at once and with each movement
 * @param ended told when it is over
 */
export function followPointer(
  event: PointerEvent,
  element: Element,
  moved: (at: Part, from: Part) => void,
  ended: () => void = () => {},
): void {
  const { left, top, width, height } = element.getBoundingClientRect()
  const partOf = ({ clientX, clientY }: PointerEvent): Part => ({
    x: (clientX - left) / width,
    y: (clientY - top) / height,
  })
  const from = partOf(event)
  const move = (now: Event) => now instanceof PointerEvent && moved(partOf(now), from)
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
  moved(from, from)
}
