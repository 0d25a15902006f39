import { message, type Message } from '../message/message'
import { clamp } from '../base/numbers'
import { itemAt } from '../base/items'

/**
 * Pointer acceleration of an operating system. It is not on the device; the model here shows in the try-out what to
 * expect on another computer. The two curves are our own, similar to those of real systems.
 */
export interface PointerCurve {
  id: 'off' | 'gentle' | 'steep'
  name: Message
  about: Message
  /** Pixels per count, by the speed of the hand in counts per ms. */
  gain(countsPerMs: number): number
}

const smooth = (value: number): number => {
  const at = clamp(value, 0, 1)
  return at * at * (3 - 2 * at)
}

export const POINTER_CURVES: readonly PointerCurve[] = [
  { id: 'off', name: message('starters.curveOff'), about: message('starters.curveOffAbout'), gain: () => 1 },
  {
    id: 'gentle',
    name: message('starters.curveGentle'),
    about: message('starters.curveGentleAbout'),
    gain: (speed) => 0.9 + 0.7 * smooth(speed / 8),
  },
  {
    id: 'steep',
    name: message('starters.curveSteep'),
    about: message('starters.curveSteepAbout'),
    gain: (speed) => 0.5 + 2.5 * smooth((speed - 1) / 10),
  },
]

export const pointerCurveById = (id: string): PointerCurve =>
  POINTER_CURVES.find((curve) => curve.id === id) ?? itemAt(POINTER_CURVES, 0)

/** The speed is averaged over about this time. */
const MEMORY_MS = 12

/** Converts counts to pixels on both axes without loss: fractions of pixels are added to the next movement. */
export class PointerConverter {
  private lastMs = -Infinity
  private speed = 0
  private restX = 0
  private restY = 0

  /** @param factor the system's pointer speed; 1 is the middle */
  constructor(
    private readonly curve: PointerCurve,
    private readonly factor = 1,
  ) {}

  /** @returns whole pixels to move */
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
