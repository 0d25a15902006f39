import { doneFor } from '../core/onboard/actions'
import type { ImageAction, LightChange, Target } from '../core/onboard/action-types'
import type { Rgb } from '../core/base/colour'
import type { ActionRunner } from './bindings'
import { chordUsages } from './chord'
import type { Layers } from './layers'
import type { MacroPlayer } from './macro-player'
import type { Outbox } from './outbox'
import type { Steps } from './steps'
import type { Taps } from './taps'
import type { Typist } from './typist'

/** What actions reach for in the device. */
export interface ActionTargets {
  outbox: Outbox
  layers: Layers
  typist: Typist
  taps: Taps
  macros: MacroPlayer
  steps: Steps
  goToSlot(to: Target): void
  changeLight(change: LightChange): void
  countDown(input: number, seconds: number, colour: Rgb): void
}

/** What goes on until it is ended. The rest is done when it is started. */
const LASTING: ReadonlySet<ImageAction['kind']> = new Set<ImageAction['kind']>([
  'key',
  'button',
  'consumer',
  'layer',
  'hold-step',
  'macro',
  'macro-parts',
])

/** Starts and ends actions: what each kind does when its input goes down, and when it comes up. */
export class Runner implements ActionRunner {
  constructor(private readonly targets: ActionTargets) {}

  start(bound: ImageAction, input: number): void {
    const { outbox, layers, typist } = this.targets
    const action = doneFor(bound)
    switch (action.kind) {
      case 'key':
        return outbox.pressKeys(chordUsages(action))
      case 'button':
        return action.clicks < 2 ? outbox.pressButton(action.button) : this.clickTwice(action.button, input)
      case 'consumer':
        return outbox.pressControl(action.usage)
      case 'scroll':
        return outbox.scroll(action.wheel, action.pan)
      case 'step':
        return this.targets.steps.goTo(action.to)
      case 'hold-step':
        return this.targets.steps.hold(input, action)
      case 'slot':
        return this.targets.goToSlot(action.to)
      case 'layer':
        return action.how === 'hold' ? layers.hold(action.layer, input) : layers.toggle(action.layer)
      case 'strokes':
        return typist.type(action.strokes)
      case 'light':
        return this.targets.changeLight(action.change)
      case 'countdown':
        return this.targets.countDown(input, action.seconds, action.colour)
      case 'macro':
      case 'macro-parts':
        return this.targets.macros.press(input, action)
      case 'stop-macros':
        this.targets.macros.stopAll()
        return typist.stop()
      case 'off':
      case 'pass':
      case 'tap-hold':
        return
    }
  }

  end(bound: ImageAction, input: number): void {
    const { outbox, layers } = this.targets
    const action = doneFor(bound)
    if (action.kind === 'key') outbox.releaseKeys(chordUsages(action))
    else if (action.kind === 'button') this.letGo(action, input)
    else if (action.kind === 'consumer') outbox.releaseControl(action.usage)
    else if (action.kind === 'layer') layers.letGo(input)
    else if (action.kind === 'macro' || action.kind === 'macro-parts')
      this.targets.macros.release(input, action)
    else if (action.kind === 'hold-step') this.targets.steps.hold(input, undefined)
  }

  tap(bound: ImageAction, input: number): void {
    const { outbox, taps } = this.targets
    const action = doneFor(bound)
    // Two clicks have their own times.
    const own = !LASTING.has(action.kind) || (action.kind === 'button' && action.clicks > 1)
    if (own) {
      this.start(action, input)
      return this.end(action, input)
    }
    taps.add(
      input,
      {
        run: () => this.start(action, input),
        lastsUs: () => (taps.hurried(input) ? outbox.shortPressUs : outbox.pressUs),
      },
      { run: () => this.end(action, input), lastsUs: () => outbox.intervalUs },
    )
  }

  finishTaps(input: number): void {
    this.targets.taps.finish(input)
  }

  private clickTwice(button: number, input: number): void {
    const { outbox, taps } = this.targets
    const press = { run: () => outbox.pressButton(button), lastsUs: () => outbox.pressUs }
    taps.add(
      input,
      press,
      { run: () => outbox.releaseButton(button), lastsUs: () => outbox.shortPressUs },
      press,
    )
  }

  /** Of two clicks behind those that are still to come. */
  private letGo({ button, clicks }: { button: number; clicks: number }, input: number): void {
    const { outbox, taps } = this.targets
    if (clicks < 2) outbox.releaseButton(button)
    else taps.add(input, { run: () => outbox.releaseButton(button), lastsUs: () => 0 })
  }
}
