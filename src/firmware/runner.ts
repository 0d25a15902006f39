import type { PlayedMacro, Reach } from '../core/actions/action'
import type { Target } from '../core/base/parameters'
import {
  doneFor,
  endAction,
  lasts,
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

/** The parts of the device that actions reach. */
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

/** Starts and ends actions; what each kind does when its input goes down and comes up is said by the kind itself. */
export class Runner implements ActionRunner {
  constructor(private readonly targets: ActionTargets) {}

  start(bound: ImageAction, input: number): void {
    startAction(doneFor(bound), this.reachOf(input))
  }

  end(bound: ImageAction, input: number): void {
    endAction(doneFor(bound), this.reachOf(input))
  }

  tap(bound: ImageAction, input: number): void {
    const { outbox, taps } = this.targets
    const action = doneFor(bound)
    if (!lasts(action)) {
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

  /** What the actions of one input have in their hands. */
  private reachOf(input: number): Reach {
    const { outbox, layers, typist, taps, macros, steps, goToSlot, changeLight, countDown } = this.targets
    return {
      pressKeys: (usages) => outbox.pressKeys(usages),
      releaseKeys: (usages) => outbox.releaseKeys(usages),
      pressButton: (button) => outbox.pressButton(button),
      releaseButton: (button) => outbox.releaseButton(button),
      clickTwice: (button) => this.clickTwice(button, input),
      // Of two clicks behind those that are still to come.
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
      play: (macro: PlayedMacro) => macros.press(input, macro),
      letMacroGo: (macro: PlayedMacro) => macros.release(input, macro),
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
