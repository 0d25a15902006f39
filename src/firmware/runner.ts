import { doneFor } from '../core/onboard/actions'
import type { ImageAction, LightChange, Target } from '../core/onboard/action-types'
import type { Rgb } from '../core/base/colour'
import type { ActionRunner } from './bindings'
import { chordUsages } from './chord'
import type { Layers } from './layers'
import type { MacroPlayer } from './macro-player'
import type { Outbox } from './outbox'
import type { Steps } from './steps'
import type { Typist } from './typist'

/** What actions reach for in the device. */
export interface ActionTargets {
  outbox: Outbox
  layers: Layers
  typist: Typist
  macros: MacroPlayer
  steps: Steps
  goToSlot(to: Target): void
  changeLight(change: LightChange): void
  countDown(input: number, seconds: number, colour: Rgb): void
}

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
        return this.click(action.button, action.clicks)
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
    else if (action.kind === 'button') outbox.releaseButton(action.button)
    else if (action.kind === 'consumer') outbox.releaseControl(action.usage)
    else if (action.kind === 'layer') layers.letGo(input)
    else if (action.kind === 'macro' || action.kind === 'macro-parts')
      this.targets.macros.release(input, action)
    else if (action.kind === 'hold-step') this.targets.steps.hold(input, undefined)
  }

  private click(button: number, clicks: number): void {
    const { outbox } = this.targets
    outbox.pressButton(button)
    if (clicks < 2) return
    outbox.releaseButton(button)
    outbox.pressButton(button)
  }
}
