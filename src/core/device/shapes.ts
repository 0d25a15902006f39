import { itemAt } from '../base/items'
import type { Point, Shape } from './model'

/** Shorthands for the outlines of a drawing, all in millimetres of their view. */

export const pathShape = (d: string): Shape => ({ kind: 'path', d })
export const circleShape = (x: number, y: number, radius: number): Shape => ({ kind: 'circle', x, y, radius })
export const rectShape = (x: number, y: number, width: number, height: number, radius: number): Shape => ({
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

/** The bounding box of an outline. Control points of curves count; arcs are circular. */
export function boxOf(shape: Shape): Box {
  if (shape.kind === 'rect') return shape
  if (shape.kind === 'circle')
    return {
      x: shape.x - shape.radius,
      y: shape.y - shape.radius,
      width: 2 * shape.radius,
      height: 2 * shape.radius,
    }
  const points = pointsOf(shape.d)
  const [xs, ys] = [points.map(([across]) => across), points.map(([, down]) => down)]
  const [x, y] = [Math.min(...xs), Math.min(...ys)]
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y }
}

/** The points of a path. Models may use its commands M, L, H, V, C, A and Z, all absolute. */
function pointsOf(d: string): Point[] {
  const points: Point[] = []
  let at: Point = [0, 0]
  const to = (...next: Point[]): void => {
    points.push(...next)
    at = next.at(-1) ?? at
  }
  for (const [, command = '', text = ''] of d.matchAll(/([MLHVCAZ])([^MLHVCAZ]*)/g)) {
    const numbers = [...text.matchAll(/-?[\d.]+/g)].map(([number]) => Number(number))
    const taken = { M: 2, L: 2, H: 1, V: 1, C: 6, A: 7 }[command] ?? Infinity
    for (let from = 0; from + taken <= numbers.length; from += taken) {
      const own = numbers.slice(from, from + taken)
      if (command === 'H') to([itemAt(own, 0), at[1]])
      else if (command === 'V') to([at[0], itemAt(own, 0)])
      else if (command === 'A') to(...arcPoints(at, own))
      else for (let pair = 0; pair < own.length; pair += 2) to([itemAt(own, pair), itemAt(own, pair + 1)])
    }
  }
  return points
}

/** The extreme points of a circular arc, and its end (SVG 2, appendix B.2.4, with equal radii). */
function arcPoints([x1, y1]: Point, arc: readonly number[]): Point[] {
  const [radius, large, sweep] = [itemAt(arc, 0), itemAt(arc, 3), itemAt(arc, 4)]
  const [x2, y2] = [itemAt(arc, 5), itemAt(arc, 6)]
  const [dx, dy] = [x2 - x1, y2 - y1]
  const chord = Math.hypot(dx, dy)
  const end: Point = [x2, y2]
  if (chord === 0) return [end]
  const r = Math.max(radius, chord / 2)
  const off = Math.sqrt(Math.max(0, r * r - (chord * chord) / 4)) * (large === sweep ? 1 : -1)
  const centre: Point = [(x1 + x2) / 2 - (off * -dy) / chord, (y1 + y2) / 2 - (off * dx) / chord]
  const outermost: Point[] = [
    [centre[0] - r, centre[1]],
    [centre[0] + r, centre[1]],
    [centre[0], centre[1] - r],
    [centre[0], centre[1] + r],
  ]
  // On the side of the chord where the arc is: to the left of the direction for an anticlockwise sweep.
  const onArc = ([x, y]: Point): boolean => {
    const side = dx * (y - y1) - dy * (x - x1)
    return sweep === 1 ? side <= 0 : side >= 0
  }
  return [...outermost.filter(onArc), end]
}
