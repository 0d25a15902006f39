import type { Message } from '../message/message'
import type { ByteReader } from '../base/bytes'
import type { Rgb } from '../base/colour'
import type { DeviceParameters, Target, ValuesOf } from '../base/parameters'
import type { FirmwareVersion } from '../base/versions'
import type { Stroke } from './strokes'

/** How a device plays a macro: a single macro, or up to three macros in parts. */
export type MacroPlayback =
  | {
      kind: 'macro'
      macro: number
      play: 'once' | 'times' | 'held' | 'toggle'
      times?: number
      gapMs: number
      again: 'ignore' | 'restart' | 'stop'
      others: 'go-on' | 'stop'
    }
  | { kind: 'macro-parts'; press: number; held: number; release: number }

/** Operations of the device that an action can use, for the input it is bound to. */
export interface DeviceOperations {
  /** Usages of keys, modifiers first. */
  pressKeys(usages: number[]): void
  releaseKeys(usages: number[]): void
  pressButton(button: number): void
  releaseButton(button: number): void
  /** Presses, releases and presses again, after the taps that are still queued for the input. */
  clickTwice(button: number): void
  releaseSecondClick(button: number): void
  pressControl(usage: number): void
  releaseControl(usage: number): void
  scroll(wheel: number, pan: number): void
  type(strokes: readonly Stroke[]): void
  goToStep(to: Target): void
  /** Applies while the input is held; undefined ends it. */
  holdStep(step: { step: number } | { dpi: number } | undefined): void
  goToSlot(to: Target): void
  holdLayer(layer: number): void
  switchLayer(layer: number): void
  letLayerGo(): void
  changeLight(change: 'next' | 'previous' | 'brighter' | 'dimmer' | 'off'): void
  countDown(seconds: number, colour: Rgb): void
  play(macro: MacroPlayback): void
  letMacroGo(macro: MacroPlayback): void
  /** All running macros, and the text being typed. */
  stopAll(): void
}

/**
 * How documents write an action: `alike` with the same parameters, `otherwise` with their own parameters
 * (document/document-actions.ts), `of two` with two nested actions, or `never`.
 */
export type DocumentForm = 'alike' | 'otherwise' | 'of two' | 'never'

/** Values of an action on a device; a nested action is an object of a higher level. */
export type ActionValues<Ps extends DeviceParameters> = ValuesOf<Ps, readonly Stroke[], object>

/**
 * Data of an action kind, and its behaviour on press and release of the input. Its bytes (records.ts), its schema and
 * its terms in a document (document/action-schema.ts, document/onboard-terms.ts) are derived from the parameters.
 */
export interface ActionKind<
  Ps extends DeviceParameters = DeviceParameters,
  Said extends DocumentForm = DocumentForm,
> {
  /** In images, 0 to 30 (docs/onboard-format.md, "Section 2"). */
  code: number
  /** The first firmware that implements it. */
  since: FirmwareVersion
  parameters: Ps
  inDocuments: Said
  /** Bytes shared by several parameters, which cannot be derived. */
  payload?: {
    write(values: ActionValues<Ps>): number[]
    /** @throws ImageError for values that no device can perform */
    read(payload: ByteReader): ActionValues<Ps>
  }
  /**
   * Returns why no device can perform it, although each parameter is within its bounds. Documents are refused for the
   * same reason.
   */
  refuses?(values: { [K in keyof ActionValues<Ps>]?: unknown }): Message | undefined
  /** Whether the action continues until it is ended; otherwise it is complete when started. */
  lasts?(values: ActionValues<Ps>): boolean
  start?(values: ActionValues<Ps>, reach: DeviceOperations): void
  end?(values: ActionValues<Ps>, reach: DeviceOperations): void
}

/** Keeps the kinds of the parameters, so that the values of each have their types. */
export const defineAction = <const Ps extends DeviceParameters, const Said extends DocumentForm>(
  kind: ActionKind<Ps, Said>,
): ActionKind<Ps, Said> => kind

/** Continues until its input is released. */
export const lasting = () => true
