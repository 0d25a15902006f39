import { clamp } from '../core/base/numbers'
import type { Calibration } from '../core/motion/surface'

/** Path length needed to measure a surface. */
export const CALIBRATION_MM = 600

/** Calibrates the sensor for the surface it moves over: the mean quality along a path. */
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

  /** @param quality the current quality @returns the measured quality, once the path is long enough */
  take(pathMm: number, quality: number): Calibration | undefined {
    if (!this.running || pathMm === 0) return undefined
    this.sum += quality
    this.looks++
    this.movedMm += pathMm
    if (this.movedMm < CALIBRATION_MM) return undefined
    this.running = false
    return { quality: clamp(Math.round(this.progress.quality), 1, 255) }
  }
}
