/** What is in force now: step and slot counted from 1 (0 for none), layers over the base layer. */
export interface InForce {
  step: number
  /** What is counted with; along, where that differs. An input may hold another than the step says. */
  dpi: number
  dpiY?: number
  stepHeld: boolean
  slot: number
  layers: number[]
  /** Whether it has given notice of a low battery. */
  low: boolean
}

/** Of a device without power. */
export const NOTHING_IN_FORCE: InForce = { step: 0, dpi: 0, stepHeld: false, slot: 0, layers: [], low: false }
