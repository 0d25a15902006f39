import type { ImageAction } from '../core/actions/registry'
import type { Alarm, PoweredAlarms } from './clock'
import type { Layers } from './layers'

/** The current action of an input, and the layer it comes from. */
export interface ResolvedAction {
  action: ImageAction
  layer: number
}

/** Starts and ends actions. */
export interface ActionRunner {
  start(action: ImageAction, input: number): void
  end(action: ImageAction, input: number): void
  /** Starts an action, and ends it after the duration of a press made by the device. */
  tap(action: ImageAction, input: number): void
  /** Ends remaining actions of taps of an input at once. */
  finishTaps(input: number): void
}

type TapHold = Extract<ImageAction, { kind: 'tap-hold' }>

/**
 * Maps inputs to actions. Pressing an input starts its current action. The same action ends when the input is released
 * or the layer it came from is deactivated, whatever is bound by then, so nothing stays pressed.
 */
export class Bindings {
  private readonly running = new Map<number, ResolvedAction>()
  /** Pressed tap-hold inputs that are still undecided. */
  private readonly undecided = new Map<number, { action: TapHold; layer: number; alarm: Alarm }>()

  constructor(
    private readonly alarms: PoweredAlarms,
    private readonly layers: Layers,
    private readonly runner: ActionRunner,
    private readonly resolve: (input: number) => ResolvedAction,
  ) {}

  press(input: number): void {
    if (this.running.has(input) || this.undecided.has(input)) return
    this.decideByAnotherPress()
    const { action, layer } = this.resolve(input)
    if (action.kind !== 'tap-hold') return this.start(input, action, layer)
    const alarm = this.alarms.after(action.thresholdMs * 1000, () => this.decideHold(input))
    this.undecided.set(input, { action, layer, alarm })
  }

  release(input: number): void {
    const waiting = this.undecided.get(input)
    if (waiting) {
      this.forget(input)
      return this.runner.tap(waiting.action.tap, input)
    }
    this.end(input)
  }

  /** One detent of a wheel or knob: a tap of its action. A turn cannot be held. */
  turn(input: number): void {
    this.decideByAnotherPress()
    const { action: bound } = this.resolve(input)
    this.runner.tap(bound.kind === 'tap-hold' ? bound.tap : bound, input)
  }

  /** Ends actions of the deactivated layers. */
  layersOff(off: readonly number[]): void {
    for (const [input, { layer }] of this.running) if (off.includes(layer)) this.end(input)
  }

  /** Another image becomes active: actions that depend on the old one end, the others when their input is released. */
  imageChanges(): void {
    for (const input of this.undecided.keys()) this.forget(input)
    for (const [input, { action }] of this.running)
      if (action.kind === 'layer' || action.kind === 'hold-step') this.end(input)
  }

  private start(input: number, action: ImageAction, layer: number): void {
    this.running.set(input, { action, layer })
    this.runner.start(action, input)
  }

  private end(input: number): void {
    const run = this.running.get(input)
    if (!run) return
    this.running.delete(input)
    this.runner.end(run.action, input)
  }

  private decideByAnotherPress(): void {
    for (const [input, { action }] of this.undecided) if (action.decide === 'press') this.decideHold(input)
  }

  private decideHold(input: number): void {
    const waiting = this.undecided.get(input)
    if (!waiting) return
    this.forget(input)
    // A layer that was deactivated meanwhile holds nothing.
    if (!this.layers.isOn(waiting.layer)) return
    this.runner.finishTaps(input)
    this.start(input, waiting.action.hold, waiting.layer)
  }

  private forget(input: number): void {
    const waiting = this.undecided.get(input)
    if (waiting) this.alarms.cancel(waiting.alarm)
    this.undecided.delete(input)
  }
}

/** Target of `to` from position `current` of `count`, both counted from 0; wraps around and never leaves the range. */
export function indexAfter(current: number, count: number, to: 'next' | 'previous' | number): number {
  if (to === 'next') return (current + 1) % count
  if (to === 'previous') return (current + count - 1) % count
  return to >= 1 && to <= count ? to - 1 : current
}
