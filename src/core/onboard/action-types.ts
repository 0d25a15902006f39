import type { Rgb } from '../base/colour'
import type { Stroke } from './strokes'

/** What an input does, in the device's own terms: usages and numbers, no names. */
export type ImageAction =
  | { kind: 'off' }
  /** Leaves the input to the layer below, where the factory's layer would not. */
  | { kind: 'pass' }
  /** `shortcut`: the number of the shortcut it was bound as; the device presses the keys and looks no further. */
  | { kind: 'key'; usage: number; modifiers: number; shortcut?: number }
  | { kind: 'button'; button: number; clicks: number }
  | { kind: 'scroll'; wheel: number; pan: number }
  | { kind: 'consumer'; usage: number }
  | { kind: 'step'; to: Target }
  | { kind: 'slot'; to: Target }
  /** `layer` counts from 1; 0 is the base layer. */
  | { kind: 'layer'; layer: number; how: 'hold' | 'switch' }
  | { kind: 'tap-hold'; thresholdMs: number; decide: 'time' | 'press'; tap: ImageAction; hold: ImageAction }
  | { kind: 'light'; change: LightChange }
  /** Keys typed one after the other; `purpose` tells a reader what they are for, the device types them all the same. */
  | { kind: 'strokes'; purpose: StrokesPurpose; strokes: Stroke[] }
  | { kind: 'countdown'; seconds: number; colour: Rgb }
  /** In force while the input is held: a step counted from 1, or a DPI of its own. */
  | { kind: 'hold-step'; step: number }
  | { kind: 'hold-step'; dpi: number }
  /** `macro` counts from 1, as section 7 numbers them. */
  | {
      kind: 'macro'
      macro: number
      play: MacroPlay
      times?: number
      gapMs: number
      again: 'ignore' | 'restart' | 'stop'
      others: 'go-on' | 'stop'
    }
  /** Macros on press, while held, on release; 0 for none. */
  | { kind: 'macro-parts'; press: number; held: number; release: number }
  | { kind: 'stop-macros' }
  /**
   * A record of a later version, or one that says what no device can do: kept byte for byte. `does`: the action of
   * this version it begins with, where bytes follow that this version does not know; a device does that.
   */
  | { kind: 'unknown'; code: number; payload: number[]; does?: KnownAction }

/** A place in a row of steps or slots: the next, the one before, or a chosen one counted from 1. */
export type Target = 'next' | 'previous' | number

export type LightChange = 'next' | 'previous' | 'brighter' | 'dimmer' | 'off'
export type StrokesPurpose = 'text' | 'program' | 'file' | 'folder' | 'address'

export type MacroPlay = 'once' | 'times' | 'held' | 'toggle'

export type KnownAction = Exclude<ImageAction, { kind: 'unknown' }>
/** Bounds of what actions say (docs/onboard-format.md, "Section 2"); a record beyond them counts as not known. */
export const ACTION_BOUNDS = {
  usage: { least: 0x04, most: 0xe7 },
  control: { least: 1, most: 0x3ff },
  button: { least: 1, most: 8 },
  clicks: { least: 1, most: 2 },
  detents: { least: -100, most: 100 },
  /** Of a step or a slot that is chosen by its number. */
  chosen: { least: 1, most: 250 },
  layer: { least: 1, most: 7 },
  thresholdMs: { least: 80, most: 1500 },
  seconds: { least: 1, most: 24 * 3600 },
  holdStep: { least: 1, most: 16 },
  macro: { least: 1, most: 200 },
  times: { least: 2, most: 10_000 },
  gapMs: { least: 0, most: 60_000 },
} as const
