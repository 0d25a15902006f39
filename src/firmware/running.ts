import { slotCapacity } from '../core/device/lookups'
import type { Connection, DeviceModel } from '../core/device/model'
import type { ImageAction } from '../core/image/actions'
import { decodeImage, type ImageStep, type OnboardImage } from '../core/image/format'
import type { LightEffect } from '../core/light/effects'
import { PROTOCOL_VERSION } from '../core/link/packets'
import { CountAccumulator, nearestDpi } from '../core/motion/steps'
import type { Battery } from './battery'
import { Bindings, placeAfter } from './bindings'
import { TaskQueue, type PoweredAlarms } from './clock'
import { ConfigurationLink } from './configuration'
import type { NorFlash } from './flash'
import { Lights } from './lights'
import { Matrix } from './matrix'
import { Outbox } from './outbox'
import { SlotStore } from './slots'

/** Version of the firmware in this folder. */
const FIRMWARE_VERSION = { major: 1, minor: 0, patch: 0 }

/** How long the device waits after a change before it writes which slot is active, or tidies its flash. */
const SETTINGS_DELAY_US = 1_500_000
const TIDY_DELAY_US = 250_000

/** The hardware around the running firmware, and the computer it reports to. */
export interface Surroundings {
  model: DeviceModel
  serial: number
  flash: NorFlash
  alarms: PoweredAlarms
  battery: Battery
  connection(): Connection | undefined
  report(report: Uint8Array): void
}

/** All that lives in the device's memory while it has power. */
export class RunningFirmware {
  readonly matrix: Matrix
  private readonly bindings: Bindings
  readonly lights: Lights
  link: ConfigurationLink
  private readonly outbox: Outbox
  private readonly store: SlotStore
  private readonly tasks: TaskQueue
  private readonly countsX = new CountAccumulator()
  private readonly countsY = new CountAccumulator()
  private activeSlot: number
  private activeStep = 0
  private lastInput = 0
  private presses = 0
  private image: OnboardImage | undefined
  private steps: readonly ImageStep[]

  constructor(private readonly around: Surroundings) {
    const { model, alarms } = around
    this.store = new SlotStore(around.flash)
    this.tasks = new TaskQueue(alarms)
    this.outbox = new Outbox(alarms, around.report)
    this.lights = new Lights(model.zones.findIndex((zone) => zone.id === model.indicatorZone))
    this.bindings = new Bindings(
      { outbox: this.outbox, goToStep: (to) => this.goToStep(to), goToSlot: (to) => this.goToSlot(to) },
      (input) => this.actionOf(input),
    )
    this.matrix = new Matrix(alarms, model.debounceMs * 1000, (input, down) =>
      down ? this.press(input) : this.bindings.release(input),
    )
    this.link = this.newLink()
    this.steps = model.factory.steps
    this.activeSlot = Math.min(this.store.settings()?.[0] ?? 0, model.memory.slots - 1)
    this.loadSlot()
    this.attach()
    this.tidySoon()
  }

  /** Another connection, or none: what was half told over the old one is forgotten. */
  attach(): void {
    this.link = this.newLink()
    this.outbox.attach(this.rateHz())
    this.updateLoad()
  }

  /** One detent of a wheel or knob. */
  turn(input: number): void {
    this.note(input)
    this.bindings.turn(input)
  }

  move(dxMm: number, dyMm: number): void {
    const { dpi } = this.steps[this.activeStep]
    this.around.battery.moved(this.around.alarms.nowUs)
    this.outbox.move(this.countsX.take(dxMm, dpi), this.countsY.take(dyMm, dpi))
  }

  updateLoad(): void {
    const { model, battery, alarms } = this.around
    const { lightMa } = model.electrical
    const drive = this.lights.means().map(({ red, green, blue }) => (red + green + blue) / 255)
    const total = drive.reduce(
      (sum, channels, zone) => sum + channels * lightMa * model.zones[zone].lights,
      0,
    )
    battery.setLoad({ lightMa: total, charging: this.around.connection()?.charges ?? false }, alarms.nowUs)
  }

  private press(input: number): void {
    this.note(input)
    this.bindings.press(input)
  }

  /** The computer may ask which input it was, so that a person can point at one by pressing it. */
  private note(input: number): void {
    this.lastInput = input
    this.presses++
  }

  private newLink(): ConfigurationLink {
    const { model, alarms, battery } = this.around
    const slotBytes = slotCapacity(model.memory)
    return new ConfigurationLink({
      ...{ modelNumber: model.number, slots: model.memory.slots, slotBytes },
      info: () => ({
        ...{
          protocol: PROTOCOL_VERSION,
          model: model.number,
          firmware: FIRMWARE_VERSION,
          serial: this.around.serial,
        },
        ...{
          slots: model.memory.slots,
          slotBytes,
          activeSlot: this.activeSlot,
          activeStep: this.activeStep + 1,
        },
        connection: model.connections.findIndex((connection) => connection === this.around.connection()),
        batteryPercent: battery.percent(alarms.nowUs),
        charging: this.around.connection()?.charges ?? false,
        revision: this.store.revision,
        ...{ lastInput: this.lastInput, presses: this.presses & 0xff },
      }),
      allowed: () => this.around.connection()?.configurable ?? false,
      image: (slot) => this.store.image(slot),
      store: (slot, image, done, failed) => this.storeImage(slot, image, done, failed),
      select: (slot) => this.switchTo(slot),
    })
  }

  private actionOf(input: number): ImageAction {
    const bound = this.image?.layers[0]?.bindings.get(input)
    const factory = this.around.model.inputs.find(({ number }) => number === input)?.factory
    return bound ?? factory ?? { kind: 'off' }
  }

  private goToStep(to: 'next' | 'previous' | number): void {
    this.activeStep = placeAfter(this.activeStep, this.steps.length, to)
    this.lights.showStep(this.steps[this.activeStep].colour, this.around.alarms.nowUs)
  }

  /** Next and previous pass over empty slots; a chosen slot comes on even when it is empty. */
  private goToSlot(to: 'next' | 'previous' | number): void {
    const { slots } = this.around.model.memory
    let slot = placeAfter(this.activeSlot, slots, to)
    while (typeof to !== 'number' && slot !== this.activeSlot && !this.store.image(slot)) {
      slot = placeAfter(slot, slots, to)
    }
    this.switchTo(slot)
  }

  private switchTo(slot: number): void {
    this.lights.showSlot(slot + 1, this.around.alarms.nowUs)
    if (slot === this.activeSlot) return
    this.activeSlot = slot
    this.loadSlot()
    this.outbox.setRate(this.rateHz())
    this.updateLoad()
    this.around.alarms.after(SETTINGS_DELAY_US, () => this.saveSettings())
  }

  private saveSettings(): void {
    if (this.store.settings()?.[0] === this.activeSlot) return
    this.tasks.add(
      () => this.store.write('settings', 0, Uint8Array.of(this.activeSlot)),
      () => this.tidySoon(),
      () => {},
    )
  }

  /** The active slot's image, or the factory's settings where the slot is empty or its image cannot be read. */
  private loadSlot(): void {
    const { model, alarms } = this.around
    const bytes = this.store.image(this.activeSlot)
    this.image = bytes && readableImage(bytes)
    const steps = this.image?.steps ?? []
    this.steps = (steps.length > 0 ? steps : model.factory.steps).map(({ dpi, colour }) => ({
      dpi: nearestDpi(model.sensor, dpi),
      colour,
    }))
    this.activeStep = steps.length > 0 ? (this.image?.defaultStep ?? 0) : model.factory.defaultStep
    this.lights.load(this.stacks(), alarms.nowUs)
  }

  private stacks(): LightEffect[][] {
    return this.around.model.zones.map(
      ({ factory }, zone) => this.image?.light.find((entry) => entry.zone === zone)?.stack ?? [factory],
    )
  }

  private rateHz(): number {
    const connection = this.around.connection()
    if (!connection) return 0
    const index = this.around.model.connections.indexOf(connection)
    const set = this.image?.polling.find((entry) => entry.connection === index)?.rateHz
    return set !== undefined && connection.ratesHz.includes(set) ? set : connection.factoryRateHz
  }

  private storeImage(
    slot: number,
    image: Uint8Array | undefined,
    done: () => void,
    failed: () => void,
  ): void {
    this.tasks.add(
      () => this.store.write(image ? 'image' : 'cleared', slot, image ?? new Uint8Array()),
      () => {
        if (slot === this.activeSlot) {
          this.loadSlot()
          this.outbox.setRate(this.rateHz())
          this.updateLoad()
        }
        done()
        this.tidySoon()
      },
      failed,
    )
  }

  private tidySoon(): void {
    const nothing = () => {}
    this.around.alarms.after(TIDY_DELAY_US, () => this.tasks.add(() => this.store.tidy(), nothing, nothing))
  }
}

function readableImage(bytes: Uint8Array): OnboardImage | undefined {
  try {
    return decodeImage(bytes)
  } catch {
    return undefined
  }
}
