import type { ImageAction } from '../core/actions/registry'
import type { Alarm, PoweredAlarms } from './clock'
import type { Layers } from './layers'

/** What an input does now, and the layer that says so. */
export interface Resolved {
  action: ImageAction
  layer: number
}

/** What starts and ends actions. */
export interface ActionRunner {
  start(action: ImageAction, input: number): void
  end(action: ImageAction, input: number): void
  /** Starts it, and ends it when a press of the device's own has lasted long enough. */
  tap(action: ImageAction, input: number): void
  /** Ends at once what taps of an input still have to do. */
  finishTaps(input: number): void
}

type TapHold = Extract<ImageAction, { kind: 'tap-hold' }>

/**
 * Inputs to actions. An input that goes down starts the action bound to it then, and that same action ends when
 * the input is let go or the layer it came from goes off, whatever is bound by that time: nothing stays down.
 */
export class Bindings {
  private readonly running = new Map<number, Resolved>()
  /** Tap and hold inputs that are down and not told apart yet. */
  private readonly undecided = new Map<number, { action: TapHold; layer: number; alarm: Alarm }>()

  constructor(
    private readonly alarms: PoweredAlarms,
    private readonly layers: Layers,
    private readonly runner: ActionRunner,
    private readonly resolve: (input: number) => Resolved,
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

  /** One detent of a wheel or knob: a tap of its action. A turn is never held. */
  turn(input: number): void {
    this.decideByAnotherPress()
    const { action: bound } = this.resolve(input)
    this.runner.tap(bound.kind === 'tap-hold' ? bound.tap : bound, input)
  }

  /** Ends what the layers that went off had started. */
  layersOff(off: readonly number[]): void {
    for (const [input, { layer }] of this.running) if (off.includes(layer)) this.end(input)
  }

  /** Another image comes on: what depends on the old one ends, the rest when its input is let go. */
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
    // A layer that has gone off in the meantime holds nothing any more.
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

/** Where `to` leads from place `current` of `count`, both counted from 0; around the end, and never outside. */
export function placeAfter(current: number, count: number, to: 'next' | 'previous' | number): number {
  if (to === 'next') return (current + 1) % count
  if (to === 'previous') return (current + count - 1) % count
  return to >= 1 && to <= count ? to - 1 : current
}
