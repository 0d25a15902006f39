import { itemAt } from '../base/items'

/**
 * What an operating system does to counts before the pointer moves. None of it is on the device: it is modelled
 * here so that a try-out on one computer tells what to expect on another. The two curves are our own; systems have
 * theirs, of the same kind.
 */
export interface PointerCurve {
  id: 'off' | 'gentle' | 'steep'
  name: string
  about: string
  /** Pixels a count, by the speed of the hand in counts a ms. */
  gain(countsPerMs: number): number
}

const smooth = (value: number): number => {
  const at = Math.max(0, Math.min(1, value))
  return at * at * (3 - 2 * at)
}

export const POINTER_CURVES: readonly PointerCurve[] = [
  { id: 'off', name: 'No acceleration', about: 'A pixel a count, however fast', gain: () => 1 },
  {
    id: 'gentle',
    name: 'Gentle rise',
    about: 'Up to 1.6 × for a fast hand, as many desktops have it',
    gain: (speed) => 0.9 + 0.7 * smooth(speed / 8),
  },
  {
    id: 'steep',
    name: 'Late rise',
    about: 'Halved for a slow hand, up to 3 × for a fast one',
    gain: (speed) => 0.5 + 2.5 * smooth((speed - 1) / 10),
  },
]

export const pointerCurveById = (id: string): PointerCurve =>
  POINTER_CURVES.find((curve) => curve.id === id) ?? itemAt(POINTER_CURVES, 0)

/** The speed is that of about the last so long. */
const MEMORY_MS = 12

/** Counts to pixels along both axes, nothing lost between: parts of pixels wait for the next movement. */
export class PointerBallistics {
  private lastMs = -Infinity
  private speed = 0
  private restX = 0
  private restY = 0

  /** @param factor the system's pointer speed; 1 is its middle */
  constructor(
    private readonly curve: PointerCurve,
    private readonly factor = 1,
  ) {}

  /** @returns whole pixels to go */
  take(countsX: number, countsY: number, atMs: number): { x: number; y: number } {
    const sinceMs = Math.max(0.125, atMs - this.lastMs)
    const kept = Math.exp(-sinceMs / MEMORY_MS)
    this.speed =
      this.speed * kept + (Math.hypot(countsX, countsY) / Math.min(sinceMs, MEMORY_MS)) * (1 - kept)
    this.lastMs = atMs
    const gain = this.curve.gain(this.speed) * this.factor
    const x = countsX * gain + this.restX
    const y = countsY * gain + this.restY
    this.restX = x - Math.trunc(x)
    this.restY = y - Math.trunc(y)
    return { x: Math.trunc(x), y: Math.trunc(y) }
  }
}
