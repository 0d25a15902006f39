import type { DeviceModel, SensorRange } from '../core/device/model'
import type { Target } from '../core/base/parameters'
import type { ImageStep } from '../core/onboard/steps-section'
import { nearestDpi } from '../core/motion/steps'
import { indexAfter } from './bindings'

/** The steps of the active slot, the active one, and those that apply while an input is held. */
export class Steps {
  private list: readonly ImageStep[] = []
  private active = 0
  private readonly held = new Map<number, ImageStep>()

  /** @param changed called when another step becomes active */
  constructor(
    private readonly model: DeviceModel,
    private readonly changed: () => void,
  ) {}

  /** The active step counted from 1; 0 on a device without steps. */
  get number(): number {
    return this.list.length === 0 ? 0 : this.active + 1
  }

  /** Whether a held input overrides the selected step. */
  get isHeld(): boolean {
    return this.held.size > 0
  }

  /** The active step; undefined on a device without steps. */
  get inForce(): ImageStep | undefined {
    return [...this.held.values()].at(-1) ?? this.list[this.active]
  }

  /** The steps of an image, or factory steps if it has none. Unsupported values are rounded to the nearest. */
  load(steps: readonly ImageStep[], defaultStep: number): void {
    const { sensor, factory } = this.model
    const [list, active] =
      steps.length > 0 ? [steps, defaultStep] : [factory.steps ?? [], factory.defaultStep ?? 0]
    this.list = sensor ? list.map((step) => stepOn(sensor, step)) : []
    this.active = active
    this.held.clear()
  }

  goTo(to: Target): void {
    if (this.list.length === 0) return
    this.active = indexAfter(this.active, this.list.length, to)
    this.changed()
  }

  /** @param step the step while the input is held; undefined when it is released */
  hold(input: number, step: { step: number } | { dpi: number } | undefined): void {
    const { sensor } = this.model
    const before = this.inForce
    if (!sensor || !before) return
    this.held.delete(input)
    const wanted = !step
      ? undefined
      : 'step' in step
        ? this.list[step.step - 1]
        : { dpi: step.dpi, colour: before.colour }
    if (wanted) this.held.set(input, stepOn(sensor, wanted))
    this.changed()
  }
}

const stepOn = (sensor: SensorRange, { dpi, dpiY, colour }: ImageStep): ImageStep => ({
  dpi: nearestDpi(sensor, dpi),
  colour,
  ...(dpiY !== undefined && { dpiY: nearestDpi(sensor, dpiY) }),
})
