import type { Rgb } from '../base/colour'
import type { Target } from '../base/parameters'
import type { Stroke } from '../actions/strokes'

/**
 * The byte code of macros (docs/onboard-format.md, "Macros"). Typical combos are keys and short delays, each of which
 * needs one byte. Keys, buttons and controls toggle: the first operation presses them, the next releases them.
 */
export type MacroOp =
  /** A usage of the keyboard page. */
  | { kind: 'key'; usage: number }
  | { kind: 'button'; button: number }
  | { kind: 'consumer'; usage: number }
  | { kind: 'wheel'; wheel: number; pan: number }
  | { kind: 'move'; x: number; y: number }
  | { kind: 'wait'; ms: number }
  /** A random delay, uniformly distributed between two values each time. */
  | { kind: 'random-wait'; fromMs: number; toMs: number }
  | { kind: 'strokes'; strokes: Stroke[] }
  | { kind: 'signal'; colour: Rgb }
  | { kind: 'step'; to: Target }
  | { kind: 'layer'; layer: number }
  /** Repeats its body. */
  | { kind: 'repeat'; times: number; body: MacroOp[] }
  /** From a later version: it has a length, and a device skips it. */
  | { kind: 'unknown'; code: number; payload: number[] }
