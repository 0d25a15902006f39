/** The active settings: step and slot counted from 1 (0 for none), and layers above the base layer. */
export interface ActiveState {
  step: number
  /** The active DPI, and that of Y if it differs. An input may hold another value than the step. */
  dpi: number
  dpiY?: number
  stepHeld: boolean
  slot: number
  /** The name of the profile in that slot; undefined where it holds none, so that factory settings apply. */
  profile: string | undefined
  layers: number[]
  /** Reports per second; 0 if disconnected. */
  rateHz: number
  /** Changes of the light by presses: brightness in percent, off, and the single effect shown, counted from 1. */
  light: { percent: number; dark: boolean; alone: number }
  /** Whether it is pairing. */
  pairing: boolean
  /** Whether it has warned about a low battery. */
  low: boolean
}

/** Without power. */
export const NOTHING_ACTIVE: ActiveState = {
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
