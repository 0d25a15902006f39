import type { Shape } from './model'

/** Shorthands for the outlines of a drawing; all in the millimetres of their view. */

export const path = (d: string): Shape => ({ kind: 'path', d })
export const circle = (x: number, y: number, radius: number): Shape => ({ kind: 'circle', x, y, radius })
export const rect = (x: number, y: number, width: number, height: number, radius: number): Shape => ({
  kind: 'rect',
  x,
  y,
  width,
  height,
  radius,
})

export interface Box {
  x: number
  y: number
  width: number
  height: number
}

/** The box around an outline. Of a path only its points count, as it is of straight lines where this is used. */
export function boxOf(shape: Shape): Box {
  if (shape.kind === 'rect') return shape
  if (shape.kind === 'circle')
    return {
      x: shape.x - shape.radius,
      y: shape.y - shape.radius,
      width: 2 * shape.radius,
      height: 2 * shape.radius,
    }
  const numbers = [...shape.d.matchAll(/-?[\d.]+/g)].map(([text]) => Number(text))
  const xs = numbers.filter((_, index) => index % 2 === 0)
  const ys = numbers.filter((_, index) => index % 2 === 1)
  const [x, y] = [Math.min(...xs), Math.min(...ys)]
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y }
}
