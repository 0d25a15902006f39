import { itemAt } from '../base/items'
import type { StrokePoint } from './straightness'

const PAUSE_MS = 300
const MIN_COUNTS = 120

/** Movements between two pauses, each as its points in counts from its start. */
export function findStrokes(
  timesMs: ArrayLike<number>,
  dx: ArrayLike<number>,
  dy: ArrayLike<number>,
): StrokePoint[][] {
  const strokes: StrokePoint[][] = []
  let current: StrokePoint[] = [{ x: 0, y: 0 }]
  const end = (): void => {
    const last = itemAt(current, current.length - 1)
    if (Math.hypot(last.x, last.y) >= MIN_COUNTS) strokes.push(current)
    current = [{ x: 0, y: 0 }]
  }
  for (let at = 0; at < timesMs.length; at++) {
    if (at > 0 && (timesMs[at] ?? 0) - (timesMs[at - 1] ?? 0) > PAUSE_MS) end()
    const { x, y } = itemAt(current, current.length - 1)
    current.push({ x: x + (dx[at] ?? 0), y: y + (dy[at] ?? 0) })
  }
  end()
  return strokes
}
