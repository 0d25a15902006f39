/** What is in force now: step and slot counted from 1 (0 for none), layers over the base layer. */
export interface InForce {
  step: number
  /** What is counted with; along, where that differs. An input may hold another than the step says. */
  dpi: number
  dpiY?: number
  stepHeld: boolean
  slot: number
  /** The name of the profile in that slot; undefined where it holds none, so that factory settings apply. */
  profile: string | undefined
  layers: number[]
  /** Reports a second; 0 where it is not connected. */
  rateHz: number
  /** What presses have made of the light: brightness in percent, dark, and the one effect that is shown alone, from 1. */
  light: { percent: number; dark: boolean; alone: number }
  /** Whether it looks for somebody to pair with. */
  pairing: boolean
  /** Whether it has given notice of a low battery. */
  low: boolean
}

/** Of a device without power. */
export const NOTHING_IN_FORCE: InForce = {
  step: 0,
  dpi: 0,
  stepHeld: false,
  slot: 0,
  profile: undefined,
  layers: [],
  rateHz: 0,
  light: { percent: 100, dark: false, alone: 0 },
  pairing: false,
  low: false,
}
