import { randomSource } from '../base/random'

/** Movement of a simulated hand in steps of a millisecond, in mm; `heightMm` where the height changes. */
export type Stroke = { dx: number; dy: number; heightMm?: number }[]

export type StrokeKind = 'line' | 'slant' | 'circle' | 'lift'

/** Height at which a hand lifts a mouse to reposition it. */
export const LIFT_MM = 1.5

/** Speed during a reach, with minimum jerk: Flash and Hogan, Journal of Neuroscience 5 (1985). @param at from 0 to 1 */
const reachSpeed = (at: number): number => 30 * at ** 2 * (1 - at) ** 2

/**
 * A stroke drawn by hand: nearly straight, slanted, or a circle of `mm` diameter, with a tremor of about 9 Hz and 0.15
 * mm (physiological tremor of a resting hand).
 */
export function handStroke(kind: StrokeKind, { mm = 60, ms = 700, seed = 1 } = {}): Stroke {
  if (kind === 'lift') return liftedBack(mm, ms)
  const by = randomSource(seed)
  const phase = by.uniform() * 2 * Math.PI
  const slope = kind === 'line' ? 0.035 : 0.42
  const tremor = (at: number) => 0.15 * Math.sin((2 * Math.PI * 9 * at) / 1000 + phase)
  return Array.from({ length: ms }, (_, at) => {
    const share = reachSpeed(at / ms) / ms
    const shake = tremor(at + 1) - tremor(at)
    const along = mm * share
    if (kind === 'circle') {
      const turn = (2 * Math.PI * at) / ms
      return {
        dx: (Math.PI * mm * Math.cos(turn)) / ms,
        dy: (Math.PI * mm * Math.sin(turn)) / ms + shake,
      }
    }
    return { dx: along, dy: along * slope + shake }
  })
}

/** A reach, lifted back, and another reach: the movement at the edge of a mat. */
function liftedBack(mm: number, ms: number): Stroke {
  const third = Math.floor(ms / 3)
  const reach = (sign: number, heightMm: number): Stroke =>
    Array.from({ length: third }, (_, at) => ({
      dx: (sign * mm * reachSpeed(at / third)) / third,
      dy: 0,
      ...(at === 0 && { heightMm }),
    }))
  return [...reach(1, 0), ...reach(-1, LIFT_MM), ...reach(1, 0)]
}
