import { slotCapacity } from '../core/device/lookups'
import type { Connection, DeviceModel } from '../core/device/model'
import { decodeImage, type OnboardImage } from '../core/image/format'
import { readMacro, type MacroOp } from '../core/image/macro-code'
import type { LightEffect, Rgb } from '../core/light/effects'
import { NO_BATTERY, PROTOCOL_VERSION } from '../core/link/packets'
import { CountAccumulator } from '../core/motion/steps'
import type { Battery } from './battery'
import { Bindings, placeAfter, type Resolved } from './bindings'
import { TaskQueue, type Alarm, type PoweredAlarms } from './clock'
import { ConfigurationLink } from './configuration'
import type { NorFlash } from './flash'
import { Layers } from './layers'
import { Lights } from './lights'
import { MacroPlayer } from './macro-player'
import { Matrix } from './matrix'
import { Outbox } from './outbox'
import { Runner } from './runner'
import { SlotStore } from './slots'
import { Steps } from './steps'
import { Typist } from './typist'

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
  battery: Battery | undefined
  connection(): Connection | undefined
  charging(): boolean
  report(report: Uint8Array): void
  /** Signals of shared layers that are on by this device's own keys, for the others on the receiver. */
  signals(mask: number): void
}

/** All that lives in the device's memory while it has power. */
export class RunningFirmware {
  readonly matrix: Matrix
  private readonly bindings: Bindings
  readonly lights: Lights
  link: ConfigurationLink
  private readonly outbox: Outbox
  private readonly typist: Typist
  private readonly macros: MacroPlayer
  private readonly layers: Layers
  private readonly steps: Steps
  private readonly countdowns = new Map<number, Alarm>()
  private readonly store: SlotStore
  private readonly tasks: TaskQueue
  private readonly countsX = new CountAccumulator()
  private readonly countsY = new CountAccumulator()
  private activeSlot: number
  private lastInput = 0
  private presses = 0
  private image: OnboardImage | undefined

  constructor(private readonly around: Surroundings) {
    const { model, alarms } = around
    this.store = new SlotStore(around.flash)
    this.tasks = new TaskQueue(alarms)
    this.outbox = new Outbox(alarms, around.report)
    this.typist = new Typist(alarms, this.outbox)
    this.macros = new MacroPlayer(alarms, this.outbox, (macro) => this.codeOf(macro), {
      signal: (colour) => this.lights.showSignal(colour, alarms.nowUs),
      step: (to) => this.steps.goTo(to),
      toggleLayer: (layer) => this.layers.toggle(layer),
    })
    this.layers = new Layers({
      off: (layers) => this.bindings.layersOff(layers),
      signals: (mask) => around.signals(mask),
    })
    this.lights = new Lights(
      model.zones,
      model.zones.findIndex((zone) => zone.id === model.indicatorZone),
    )
    this.steps = new Steps(model, () => this.stepChanged())
    this.bindings = new Bindings(alarms, this.layers, this.newRunner(), (input) => this.resolve(input))
    this.matrix = new Matrix(alarms, model.debounceMs * 1000, (input, down) =>
      down ? this.press(input) : this.bindings.release(input),
    )
    this.link = this.newLink()
    this.activeSlot = Math.min(this.store.settings()?.[0] ?? 0, model.memory.slots - 1)
    this.loadSlot()
    this.attach()
    this.tidySoon()
  }

  /** Another connection, or none: what was half told over the old one is forgotten. */
  attach(): void {
    this.link = this.newLink()
    this.typist.stop()
    this.macros.stopAll()
    this.outbox.attach(this.rateHz())
    this.updateLoad()
  }

  /** One detent of a wheel or knob. */
  turn(input: number): void {
    this.note(input)
    if (!this.taken(input)) this.bindings.turn(input)
  }

  /** Signals of the other devices on the receiver. */
  hear(mask: number): void {
    this.layers.hear(mask)
  }

  move(dxMm: number, dyMm: number): void {
    const dpi = this.steps.inForce?.dpi
    if (dpi === undefined) return
    this.around.battery?.moved(this.around.alarms.nowUs)
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
    battery?.setLoad({ lightMa: total, charging: this.around.charging() }, alarms.nowUs)
  }

  private press(input: number): void {
    this.note(input)
    if (this.taken(input)) return
    this.macros.otherPressed(input)
    this.bindings.press(input)
  }

  /** Over some connections an input belongs to the device itself. */
  private taken(input: number): boolean {
    const without = this.around.connection()?.without?.inputs ?? []
    return this.around.model.inputs.some(({ id, number }) => number === input && without.includes(id))
  }

  private newRunner(): Runner {
    const { outbox, layers, typist, steps, macros } = this
    return new Runner({
      ...{ outbox, layers, typist, steps, macros },
      goToSlot: (to) => this.goToSlot(to),
      changeLight: (change) => {
        this.lights.change(change, this.around.alarms.nowUs)
        this.updateLoad()
      },
      countDown: (input, seconds, colour) => this.countDown(input, seconds, colour),
    })
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
          activeStep: this.steps.number,
        },
        connection: model.connections.findIndex((connection) => connection === this.around.connection()),
        batteryPercent: battery?.percent(alarms.nowUs) ?? NO_BATTERY,
        charging: this.around.charging(),
        revision: this.store.revision,
        ...{ lastInput: this.lastInput, presses: this.presses & 0xff },
      }),
      allowed: () => this.around.connection()?.configurable ?? false,
      image: (slot) => this.store.image(slot),
      store: (slot, image, done, failed) => this.storeImage(slot, image, done, failed),
      select: (slot) => this.switchTo(slot),
    })
  }

  /** From the uppermost layer that is on down to the base layer; each over what the factory set there. */
  private resolve(input: number): Resolved {
    const { factory, inputs } = this.around.model
    const known = inputs.find(({ number }) => number === input)
    for (const layer of this.layers.stack) {
      const own = this.image?.layers[layer]?.bindings.get(input)
      const action = own ?? (known && factory.layers?.[layer - 1]?.bindings[known.id])
      if (action && action.kind !== 'pass') return { action, layer }
    }
    const base = this.image?.layers[0]?.bindings.get(input)
    return { action: base ?? known?.factory ?? { kind: 'off' }, layer: 0 }
  }

  private stepChanged(): void {
    if (this.steps.inForce) this.lights.setStep(this.steps.inForce.colour)
    this.lights.showStep(this.around.alarms.nowUs)
    this.updateLoad()
  }

  /** The byte code of a macro of the slot that is on, counted from 1; nothing where there is none that can be read. */
  private codeOf(macro: number): readonly MacroOp[] {
    try {
      return readMacro(this.image?.macros[macro - 1]?.code ?? new Uint8Array())
    } catch {
      return []
    }
  }

  /** Pressed again, it starts from the beginning. */
  private countDown(input: number, seconds: number, colour: Rgb): void {
    const { alarms } = this.around
    const running = this.countdowns.get(input)
    if (running) alarms.cancel(running)
    const ring = () => {
      this.countdowns.delete(input)
      this.lights.showSignal(colour, alarms.nowUs)
    }
    this.countdowns.set(input, alarms.after(seconds * 1e6, ring))
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
    this.typist.stop()
    this.macros.stopAll()
    this.bindings.imageChanges()
    const bytes = this.store.image(this.activeSlot)
    this.image = bytes && readableImage(bytes)
    this.layers.load(this.layerSignals())
    this.steps.load(this.image?.steps ?? [], this.image?.defaultStep ?? 0)
    this.lights.load(this.stacks(), this.around.alarms.nowUs)
    if (this.steps.inForce) this.lights.setStep(this.steps.inForce.colour)
  }

  /** The signal of each layer there is, the base layer among them: the image's, or the factory's layers. */
  private layerSignals(): number[] {
    if (this.image?.layersListed) return [0, ...this.image.layers.slice(1).map(({ signal }) => signal)]
    return [0, ...(this.around.model.factory.layers ?? []).map(() => 0)]
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
