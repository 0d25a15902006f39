import type { MacroPlayback, DeviceOperations } from '../core/actions/action'
import type { Target } from '../core/base/parameters'
import {
  behaviourOf,
  endAction,
  isContinuous,
  startAction,
  type ImageAction,
  type LightChange,
} from '../core/actions/registry'
import type { Rgb } from '../core/base/colour'
import type { ActionRunner } from './bindings'
import type { Layers } from './layers'
import type { MacroPlayer } from './macro-player'
import type { Outbox } from './outbox'
import type { Steps } from './steps'
import type { Taps } from './taps'
import type { Typist } from './typist'

/** Parts of the device that actions use. */
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

/** Starts and ends actions; each kind defines its behaviour for press and release. */
export class Runner implements ActionRunner {
  constructor(private readonly targets: ActionTargets) {}

  start(bound: ImageAction, input: number): void {
    startAction(behaviourOf(bound), this.reachOf(input))
  }

  end(bound: ImageAction, input: number): void {
    endAction(behaviourOf(bound), this.reachOf(input))
  }

  tap(bound: ImageAction, input: number): void {
    const { outbox, taps } = this.targets
    const action = behaviourOf(bound)
    if (!isContinuous(action)) {
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

  /** Pressed keys and buttons of one input's actions. */
  private reachOf(input: number): DeviceOperations {
    const { outbox, layers, typist, taps, macros, steps, goToSlot, changeLight, countDown } = this.targets
    return {
      pressKeys: (usages) => outbox.pressKeys(usages),
      releaseKeys: (usages) => outbox.releaseKeys(usages),
      pressButton: (button) => outbox.pressButton(button),
      releaseButton: (button) => outbox.releaseButton(button),
      clickTwice: (button) => this.clickTwice(button, input),
      // The second click, after those still waiting.
      releaseSecondClick: (button) =>
        taps.add(input, { run: () => outbox.releaseButton(button), lastsUs: () => 0 }),
      pressControl: (usage) => outbox.pressControl(usage),
      releaseControl: (usage) => outbox.releaseControl(usage),
      scroll: (wheel, pan) => outbox.scroll(wheel, pan),
      type: (strokes) => typist.type(strokes),
      goToStep: (to) => steps.goTo(to),
      holdStep: (step) => steps.hold(input, step),
      goToSlot,
      holdLayer: (layer) => layers.hold(layer, input),
      switchLayer: (layer) => layers.toggle(layer),
      letLayerGo: () => layers.letGo(input),
      changeLight,
      countDown: (seconds, colour) => countDown(input, seconds, colour),
      play: (macro: MacroPlayback) => macros.press(input, macro),
      letMacroGo: (macro: MacroPlayback) => macros.release(input, macro),
      stopAll() {
        macros.stopAll()
        typist.stop()
      },
    }
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
}
