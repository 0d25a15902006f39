import { FIRST_MODIFIER_USAGE } from '../core/hid/modifiers'
import type { ImageAction, Target } from '../core/image/actions'
import type { Outbox } from './outbox'

/** What actions reach for beyond the outbox. */
export interface ActionTargets {
  outbox: Outbox
  goToStep(to: Target): void
  goToSlot(to: Target): void
}

/**
 * Inputs to actions. An input that goes down starts the action bound to it then, and letting it go ends that
 * same action, whatever is bound by that time: nothing stays down when bindings change under a finger.
 */
export class Bindings {
  private readonly running = new Map<number, ImageAction>()

  constructor(
    private readonly targets: ActionTargets,
    private readonly actionOf: (input: number) => ImageAction,
  ) {}

  press(input: number): void {
    if (this.running.has(input)) return
    const action = this.actionOf(input)
    this.running.set(input, action)
    this.start(action)
  }

  release(input: number): void {
    const action = this.running.get(input)
    if (!action) return
    this.running.delete(input)
    this.end(action)
  }

  /** One detent of a wheel or knob: its action starts and ends at once. */
  turn(input: number): void {
    const action = this.actionOf(input)
    this.start(action)
    this.end(action)
  }

  private start(action: ImageAction): void {
    const { outbox } = this.targets
    switch (action.kind) {
      case 'key':
        return outbox.pressKeys(chord(action))
      case 'button':
        outbox.pressButton(action.button)
        if (action.clicks === 2) {
          outbox.releaseButton(action.button)
          outbox.pressButton(action.button)
        }
        return
      case 'consumer':
        return outbox.pressControl(action.usage)
      case 'scroll':
        return outbox.scroll(action.wheel, action.pan)
      case 'step':
        return this.targets.goToStep(action.to)
      case 'slot':
        return this.targets.goToSlot(action.to)
      case 'off':
      case 'unknown':
        return
    }
  }

  private end(action: ImageAction): void {
    const { outbox } = this.targets
    if (action.kind === 'key') outbox.releaseKeys(chord(action))
    else if (action.kind === 'button') outbox.releaseButton(action.button)
    else if (action.kind === 'consumer') outbox.releaseControl(action.usage)
  }
}

function chord({ usage, modifiers }: { usage: number; modifiers: number }): number[] {
  const held = Array.from({ length: 8 }, (_, bit) => FIRST_MODIFIER_USAGE + bit).filter(
    (_, bit) => modifiers & (1 << bit),
  )
  return [...held, usage]
}

/** Where `to` leads from place `current` of `count`, both counted from 0; around the end, and never outside. */
export function placeAfter(current: number, count: number, to: Target): number {
  if (to === 'next') return (current + 1) % count
  if (to === 'previous') return (current + count - 1) % count
  return to >= 1 && to <= count ? to - 1 : current
}
