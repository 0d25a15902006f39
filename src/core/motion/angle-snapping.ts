/** A stroke this close to an axis is assumed to follow it, and stays so until it deviates by the second angle. */
const CATCH_DEGREES = 5
const LEAVE_DEGREES = 9
/** The direction is computed over about this path length, in mm. */
const MEMORY_MM = 2

/**
 * Angle snapping in the sensor: while the hand moves nearly horizontally or vertically, its deviation is dropped. Lines
 * become straighter than drawn, and small corrections are lost.
 */
export class AngleSnapper {
  private alongX = 0
  private alongY = 0
  private axis: 'x' | 'y' | undefined

  /** @param dxMm movement of the hand, in mm @returns the counted movement, in mm */
  take(dxMm: number, dyMm: number): { dx: number; dy: number } {
    const step = Math.hypot(dxMm, dyMm)
    if (step === 0) return { dx: 0, dy: 0 }
    const kept = Math.exp(-step / MEMORY_MM)
    this.alongX = this.alongX * kept + dxMm
    this.alongY = this.alongY * kept + dyMm
    const fromX = degreesOff(this.alongX, this.alongY)
    const fromY = 90 - fromX
    if (this.axis === 'x' ? fromX > LEAVE_DEGREES : fromY > LEAVE_DEGREES) this.axis = undefined
    if (!this.axis) this.axis = fromX <= CATCH_DEGREES ? 'x' : fromY <= CATCH_DEGREES ? 'y' : undefined
    return { dx: this.axis === 'y' ? 0 : dxMm, dy: this.axis === 'x' ? 0 : dyMm }
  }
}

/** Angle to the x axis in either direction: 0 to 90. */
const degreesOff = (x: number, y: number): number => (Math.atan2(Math.abs(y), Math.abs(x)) * 180) / Math.PI
