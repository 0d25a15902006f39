import type { ByteReader } from '../base/bytes'
import type { Rgb } from '../base/colour'
import type { DeviceParameters, Target, ValuesOf } from '../base/parameters'
import type { FirmwareVersion } from '../base/versions'
import type { Stroke } from './strokes'

/** How a macro is played, as far as a device has to know it: of one macro, or of up to three in parts. */
export type PlayedMacro =
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

/** What an action reaches for in the device, for the input it is bound to. */
export interface Reach {
  /** Usages of keys, modifiers first. */
  pressKeys(usages: number[]): void
  releaseKeys(usages: number[]): void
  pressButton(button: number): void
  releaseButton(button: number): void
  /** Pressed, let go, pressed: behind what taps of the input have still to do. */
  clickTwice(button: number): void
  releaseSecondClick(button: number): void
  pressControl(usage: number): void
  releaseControl(usage: number): void
  scroll(wheel: number, pan: number): void
  type(strokes: readonly Stroke[]): void
  goToStep(to: Target): void
  /** In force while the input holds it; undefined ends that. */
  holdStep(step: { step: number } | { dpi: number } | undefined): void
  goToSlot(to: Target): void
  holdLayer(layer: number): void
  switchLayer(layer: number): void
  letLayerGo(): void
  changeLight(change: 'next' | 'previous' | 'brighter' | 'dimmer' | 'off'): void
  countDown(seconds: number, colour: Rgb): void
  play(macro: PlayedMacro): void
  letMacroGo(macro: PlayedMacro): void
  /** Every macro that runs, and what is being typed. */
  stopAll(): void
}

/**
 * How a document says an action: `alike` with the same parameters, `otherwise` with parameters of its own
 * (document/worded-actions.ts), `of two` with two other actions in it, or `never`.
 */
export type InDocuments = 'alike' | 'otherwise' | 'of two' | 'never'

/** The values of an action on a device; an action within it is an object of a higher level. */
export type ActionValues<Ps extends DeviceParameters> = ValuesOf<Ps, readonly Stroke[], object>

/**
 * A kind of action as data, and what it does when its input goes down and comes up. From the parameters are derived its
 * bytes (records.ts) and its schema and terms in a document (document/action-schema.ts, document/onboard-terms.ts).
 */
export interface ActionKind<
  Ps extends DeviceParameters = DeviceParameters,
  Said extends InDocuments = InDocuments,
> {
  /** In images, 0 to 30 (docs/onboard-format.md, "Section 2"). */
  code: number
  /** The first firmware that does it. */
  since: FirmwareVersion
  parameters: Ps
  inDocuments: Said
  /** Where several parameters share bytes: what cannot be derived. */
  payload?: {
    write(values: ActionValues<Ps>): number[]
    /** @throws ImageError for what no device can do */
    read(payload: ByteReader): ActionValues<Ps>
  }
  /** Why no device can do it, though each parameter is within its bounds; the same is said of a document. */
  refuses?(values: { [K in keyof ActionValues<Ps>]?: unknown }): string | undefined
  /** Whether it goes on until it is ended; else it is done when it is started. */
  lasts?(values: ActionValues<Ps>): boolean
  start?(values: ActionValues<Ps>, reach: Reach): void
  end?(values: ActionValues<Ps>, reach: Reach): void
}

/** Keeps the kinds of the parameters, so that the values of each have their types. */
export const action = <const Ps extends DeviceParameters, const Said extends InDocuments>(
  kind: ActionKind<Ps, Said>,
): ActionKind<Ps, Said> => kind

/** Goes on until its input is let go. */
export const lasting = () => true
