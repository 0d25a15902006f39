import type { Rgb } from '../base/colour'
import type { Target } from '../base/parameters'
import type { Stroke } from '../actions/strokes'

/**
 * The byte code of macros (docs/onboard-format.md, "Macros"). Human combos are keys and short waits: each of these
 * takes one byte. Keys, buttons and controls toggle: the first time they go down, the next time they come up.
 */
export type MacroOp =
  /** A usage of the keyboard page. */
  | { kind: 'key'; usage: number }
  | { kind: 'button'; button: number }
  | { kind: 'consumer'; usage: number }
  | { kind: 'wheel'; wheel: number; pan: number }
  | { kind: 'move'; x: number; y: number }
  | { kind: 'wait'; ms: number }
  /** A wait the device draws anew each time, evenly between both. */
  | { kind: 'random-wait'; fromMs: number; toMs: number }
  | { kind: 'strokes'; strokes: Stroke[] }
  | { kind: 'signal'; colour: Rgb }
  | { kind: 'step'; to: Target }
  | { kind: 'layer'; layer: number }
  /** What lies inside is done so often. */
  | { kind: 'repeat'; times: number; body: MacroOp[] }
  /** Of a later version: it says its length, and a device passes over it. */
  | { kind: 'unknown'; code: number; payload: number[] }
