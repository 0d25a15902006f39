/**
 * Follows a pointer from where it went down until it comes up, with how far it has moved as parts of an element.
 *
 * @param moved x and y from where it began, 1 for the whole width or height
 */
export function followPointer(
  event: PointerEvent,
  element: HTMLElement,
  moved: (x: number, y: number, at: { x: number; y: number }) => void,
): void {
  const { left, top, width, height } = element.getBoundingClientRect()
  const at = (now: PointerEvent) => ({ x: (now.clientX - left) / width, y: (now.clientY - top) / height })
  const from = at(event)
  const { pointerId } = event
  element.setPointerCapture(pointerId)
  const move = (now: PointerEvent) => {
    const to = at(now)
    moved(to.x - from.x, to.y - from.y, to)
  }
  const end = () => {
    element.removeEventListener('pointermove', move)
    element.removeEventListener('pointerup', end)
    element.removeEventListener('pointercancel', end)
  }
  element.addEventListener('pointermove', move)
  element.addEventListener('pointerup', end)
  element.addEventListener('pointercancel', end)
}
