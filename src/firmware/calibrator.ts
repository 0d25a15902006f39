import type { Calibration } from '../core/motion/surface'

/** So much path shows enough of a surface. */
export const CALIBRATION_MM = 600

/** Measures the sensor in to the surface it is moved over: the mean quality along a path. */
export class Calibrator {
  private sum = 0
  private looks = 0
  private movedMm = 0
  running = false

  begin(): void {
    this.sum = this.looks = this.movedMm = 0
    this.running = true
  }

  stop(): void {
    this.running = false
  }

  get progress(): { movedMm: number; quality: number } {
    return { movedMm: this.movedMm, quality: this.looks === 0 ? 0 : this.sum / this.looks }
  }

  /** @param quality what the sensor finds @returns what it has measured, once that is enough */
  take(pathMm: number, quality: number): Calibration | undefined {
    if (!this.running || pathMm === 0) return undefined
    this.sum += quality
    this.looks++
    this.movedMm += pathMm
    if (this.movedMm < CALIBRATION_MM) return undefined
    this.running = false
    return { quality: Math.max(1, Math.min(255, Math.round(this.progress.quality))) }
  }
}
