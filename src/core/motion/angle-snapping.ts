/** A stroke so near to an axis is taken to be meant along it; once it is, it stays so until it is this far off. */
const CATCH_DEGREES = 5
const LEAVE_DEGREES = 9
/** The direction is that of about the last so many mm of path. */
const MEMORY_MM = 2

/**
 * Angle snapping, in the sensor: while the hand's direction is near to straight across or straight along, what it
 * strays from that is dropped. Lines come out straighter than they were drawn, and small corrections are lost.
 */
export class AngleSnapper {
  private alongX = 0
  private alongY = 0
  private axis: 'x' | 'y' | undefined

  /** @param dxMm movement of the hand, in mm @returns the movement that is counted, in mm */
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

/** Angle to the x axis, whichever way along it: 0 to 90. */
const degreesOff = (x: number, y: number): number => (Math.atan2(Math.abs(y), Math.abs(x)) * 180) / Math.PI
