import type { Rgb } from '../base/colour'

/** What a zone can be set to, as a device keeps it. Brightness in percent, 1 to 100; period in ms. */
export type LightEffect =
  | { kind: 'off' }
  | { kind: 'solid'; colour: Rgb; brightness: number }
  | { kind: 'breathing'; colour: Rgb; brightness: number; periodMs: number }
  | { kind: 'cycle'; brightness: number; periodMs: number }
  /** The colour of the step in use. */
  | { kind: 'step'; brightness: number }
