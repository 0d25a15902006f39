import { slotCapacity } from '../core/device/lookups'
import type { Connection, DeviceInput, DeviceModel } from '../core/device/model'
import { reportDescriptor } from '../core/hid/descriptor'
import type { ImageAction } from '../core/image/actions'
import { decodeImage, type ImageStep, type OnboardImage } from '../core/image/format'
import type { LightEffect, Rgb } from '../core/light/effects'
import { PROTOCOL_VERSION } from '../core/link/packets'
import { CountAccumulator, nearestDpi } from '../core/motion/steps'
import { Battery } from './battery'
import { Bindings, placeAfter } from './bindings'
import { PoweredAlarms, TaskQueue, type Clock } from './clock'
import { ConfigurationLink } from './configuration'
import { NorFlash } from './flash'
import { Lights } from './lights'
import { Matrix } from './matrix'
import { Outbox } from './outbox'
import { SlotStore } from './slots'

/** Version of the firmware in this folder. */
export const FIRMWARE_VERSION = { major: 1, minor: 0, patch: 0 }

/** How long the device waits after a change before it writes which slot is active, or tidies its flash. */
const SETTINGS_DELAY_US = 1_500_000
const TIDY_DELAY_US = 250_000

export interface DeviceOptions {
  model: DeviceModel
  clock: Clock
  serial?: number
  flash?: Uint8Array
  chargeMah?: number
  events?: Partial<DeviceEvents>
}

export interface DeviceEvents {
  /** A report the computer polled: id first. */
  report(report: Uint8Array, atUs: number): void
  /** Another connection is in use, or none. */
  connection(connection: Connection | undefined): void
  /** A sector of flash is different from before. */
  sector(sector: number): void
}

/** What hands can do to a device besides pressing its inputs. */
export interface Plugs {
  cable: boolean
  receiver: boolean
  power: boolean
}

/**
 * One simulated device: its parts on one virtual clock. It knows its model and the bytes in its flash, and
 * nothing of profiles.
 */
export class SimulatedDevice {
  readonly model: DeviceModel
  readonly flash: NorFlash
  readonly serial: number
  private readonly clock: Clock
  private readonly alarms: PoweredAlarms
  private readonly events: DeviceEvents
  private readonly battery: Battery
  private readonly plugs: Plugs = { cable: false, receiver: false, power: true }
  private running: RunningFirmware | undefined

  constructor({ model, clock, serial = 1, flash, chargeMah, events = {} }: DeviceOptions) {
    this.model = model
    this.clock = clock
    this.serial = serial
    this.alarms = new PoweredAlarms(clock)
    this.events = { report: () => {}, connection: () => {}, sector: () => {}, ...events }
    this.flash = new NorFlash(model.memory, flash, (sector) => this.events.sector(sector))
    const full = model.electrical.batteryMah
    this.battery = new Battery(model.electrical, chargeMah ?? full, clock.nowUs)
    this.boot()
  }

  /** What a computer is handed when the device is attached. */
  get descriptor(): Uint8Array {
    return reportDescriptor()
  }

  get state(): Plugs & { chargeMah: number; on: boolean } {
    return { ...this.plugs, chargeMah: this.battery.charge(this.clock.nowUs), on: this.running !== undefined }
  }

  /** The connection in use: the cable before the air, and none without power. */
  get connection(): Connection | undefined {
    const id = !this.running ? undefined : this.plugs.cable ? 'cable' : this.plugs.receiver ? 'receiver' : undefined
    return this.model.connections.find((connection) => connection.id === id)
  }

  /** Plugs and switches, by hand, at any moment. */
  setPlugs(change: Partial<Plugs>): void {
    const before = this.connection
    Object.assign(this.plugs, change)
    const powered = this.plugs.power && (this.plugs.cable || this.battery.charge(this.clock.nowUs) > 0)
    if (powered && !this.running) this.boot()
    else if (!powered && this.running) this.losePower()
    if (this.connection !== before) this.reconnect()
    this.running?.updateLoad()
  }

  /** @throws RangeError for an input the model does not have */
  press(inputId: string): void {
    this.stopWhenEmpty()
    this.running?.matrix.contact(this.input(inputId).number, true)
  }

  release(inputId: string): void {
    this.running?.matrix.contact(this.input(inputId).number, false)
  }

  /** @param detents how many times a wheel or knob clicks; at most 100 */
  turn(inputId: string, detents: number): void {
    const { number } = this.input(inputId)
    for (let count = 0; count < Math.min(100, detents); count++) this.running?.bindings.turn(number)
  }

  /** The hand moves the device across the table, in mm; x to the right, y towards the hand. */
  move(dxMm: number, dyMm: number): void {
    this.running?.move(dxMm, dyMm)
  }

  lights(): Rgb[] {
    return this.running?.lights.frame(this.clock.nowUs) ?? this.model.zones.map(() => ({ red: 0, green: 0, blue: 0 }))
  }

  /** A configuration report arrives. @returns false when nothing is connected to take it */
  setFeature(data: Uint8Array): boolean {
    if (!this.connection || !this.running) return false
    this.running.link.set(data)
    return true
  }

  /** The configuration reply, or undefined when nothing is connected to give it. */
  getFeature(): Uint8Array | undefined {
    this.stopWhenEmpty()
    return this.connection && this.running?.link.get()
  }

  private input(inputId: string): DeviceInput {
    const input = this.model.inputs.find(({ id }) => id === inputId)
    if (!input) throw new RangeError(`${this.model.name} has no input "${inputId}"`)
    return input
  }

  /** An empty battery is found out the next time the device is asked to do something. */
  private stopWhenEmpty(): void {
    if (this.running && !this.plugs.cable && this.battery.charge(this.clock.nowUs) <= 0) this.setPlugs({})
  }

  private boot(): void {
    this.running = new RunningFirmware({
      ...{ model: this.model, serial: this.serial, flash: this.flash, alarms: this.alarms, battery: this.battery },
      connection: () => this.connection,
      report: (report) => {
        if (this.connection?.id !== 'cable') this.battery.reported()
        this.events.report(report, this.clock.nowUs)
      },
    })
  }

  private losePower(): void {
    this.alarms.cancelAll()
    this.flash.losePower()
    this.running = undefined
    this.battery.setLoad({ lightMa: 0, charging: false }, this.clock.nowUs)
  }

  private reconnect(): void {
    this.running?.attach()
    this.events.connection(this.connection)
  }
}

interface Surroundings {
  model: DeviceModel
  serial: number
  flash: NorFlash
  alarms: PoweredAlarms
  battery: Battery
  connection(): Connection | undefined
  report(report: Uint8Array): void
}

/** All that lives in the device's memory while it has power. */
class RunningFirmware {
  readonly matrix: Matrix
  readonly bindings: Bindings
  readonly lights: Lights
  link: ConfigurationLink
  private readonly outbox: Outbox
  private readonly store: SlotStore
  private readonly tasks: TaskQueue
  private readonly countsX = new CountAccumulator()
  private readonly countsY = new CountAccumulator()
  private activeSlot: number
  private activeStep = 0
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
      down ? this.bindings.press(input) : this.bindings.release(input),
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

  move(dxMm: number, dyMm: number): void {
    const { dpi } = this.steps[this.activeStep]
    this.around.battery.moved(this.around.alarms.nowUs)
    this.outbox.move(this.countsX.take(dxMm, dpi), this.countsY.take(dyMm, dpi))
  }

  updateLoad(): void {
    const { model, battery, alarms } = this.around
    const { lightMa } = model.electrical
    const drive = this.lights.means().map(({ red, green, blue }) => (red + green + blue) / 255)
    const total = drive.reduce((sum, channels, zone) => sum + channels * lightMa * model.zones[zone].lights, 0)
    battery.setLoad({ lightMa: total, charging: this.around.connection()?.charges ?? false }, alarms.nowUs)
  }

  private newLink(): ConfigurationLink {
    const { model, alarms, battery } = this.around
    const slotBytes = slotCapacity(model.memory)
    return new ConfigurationLink({
      ...{ modelNumber: model.number, slots: model.memory.slots, slotBytes },
      info: () => ({
        ...{ protocol: PROTOCOL_VERSION, model: model.number, firmware: FIRMWARE_VERSION, serial: this.around.serial },
        ...{ slots: model.memory.slots, slotBytes, activeSlot: this.activeSlot, activeStep: this.activeStep + 1 },
        connection: model.connections.findIndex((connection) => connection === this.around.connection()),
        batteryPercent: battery.percent(alarms.nowUs),
        charging: this.around.connection()?.charges ?? false,
        revision: this.store.revision,
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
    this.tasks.add(() => this.store.write('settings', 0, Uint8Array.of(this.activeSlot)), () => this.tidySoon(), () => {})
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

  private storeImage(slot: number, image: Uint8Array | undefined, done: () => void, failed: () => void): void {
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
