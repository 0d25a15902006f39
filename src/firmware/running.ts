import { slotCapacity } from '../core/device/lookups'
import type { Rgb } from '../core/base/colour'
import { NO_BATTERY, PROTOCOL_VERSION } from '../core/link/packets'
import { ActiveImage } from './active-image'
import { Bindings, placeAfter } from './bindings'
import { TaskQueue, type Alarm } from './clock'
import { ConfigurationLink } from './configuration'
import { Countdowns } from './countdowns'
import { DeviceLog } from './device-log'
import type { InForce } from './in-force'
import { Layers } from './layers'
import { Lights } from './lights'
import { lightsAround } from './lights-around'
import { MacroPlayer } from './macro-player'
import { Matrix } from './matrix'
import { Motion } from './motion'
import { Outbox } from './outbox'
import { Power } from './power'
import { Runner } from './runner'
import { SlotStore } from './slots'
import type { Surroundings } from './surroundings'
import { StagedImage } from './staged-image'
import { SlotKeys } from './slot-keys'
import { Steps } from './steps'
import { Typist } from './typist'

/** Version of the firmware in this folder. */
const FIRMWARE_VERSION = { major: 1, minor: 0, patch: 0 }

/** How long the device waits after a change before it writes which slot is active, or tidies its flash. */
const SETTINGS_DELAY_US = 1_500_000
const TIDY_DELAY_US = 250_000
/** Shown in place of a macro that is not played. */
const MACRO_REFUSED: Rgb = { red: 0xff, green: 0, blue: 0x40 }
const LOW_BATTERY: Rgb = { red: 0xff, green: 0x5a, blue: 0x1e }

/** All that lives in the device's memory while it has power. */
export class RunningFirmware {
  readonly matrix: Matrix
  private readonly slotKeys: SlotKeys
  private readonly bindings: Bindings
  readonly lights: Lights
  link: ConfigurationLink
  private readonly log = new DeviceLog()
  private readonly outbox: Outbox
  private readonly typist: Typist
  private readonly macros: MacroPlayer
  private readonly layers: Layers
  private readonly steps: Steps
  private readonly countdowns: Countdowns
  readonly motion: Motion
  private readonly power: Power
  private readonly store: SlotStore
  private readonly tasks: TaskQueue
  private activeSlot: number
  private lastInput = 0
  private presses = 0
  private idleAlarm: Alarm | undefined
  private image: ActiveImage

  constructor(private readonly around: Surroundings) {
    const { model, alarms } = around
    this.store = new SlotStore(around.flash)
    this.image = new ActiveImage(model, undefined)
    this.tasks = new TaskQueue(alarms)
    this.countdowns = new Countdowns(alarms)
    this.outbox = new Outbox(alarms, (report) => {
      around.report(report)
      this.power.active()
    })
    this.motion = new Motion(around.traits, this.outbox, () => this.saveSettings())
    this.typist = new Typist(alarms, this.outbox)
    this.macros = new MacroPlayer(alarms, this.outbox, (macro) => this.image.codeOf(macro), {
      unknown: (code) => this.log.note('macro operation', code),
      refuse: () => this.lights.showSignal(MACRO_REFUSED, alarms.nowUs),
      signal: (colour) => this.lights.showSignal(colour, alarms.nowUs),
      step: (to) => this.steps.goTo(to),
      toggleLayer: (layer) => this.layers.toggle(layer),
    })
    this.layers = new Layers(
      {
        off: (layers) => this.bindings.layersOff(layers),
        signals: (mask) => around.signals(mask),
        changed: () => this.updateLoad(),
      },
      () => alarms.nowUs,
    )
    this.lights = new Lights(
      model,
      lightsAround(around, {
        image: () => this.image,
        layers: this.layers,
        macros: this.macros,
        countdowns: this.countdowns,
      }),
    )
    this.steps = new Steps(model, () => this.stepChanged())
    this.bindings = new Bindings(alarms, this.layers, this.newRunner(), (input) =>
      this.image.resolve(input, this.layers.stack),
    )
    this.matrix = new Matrix(alarms, this.image.debounce, (input, down) =>
      down ? this.press(input) : this.release(input),
    )
    this.slotKeys = new SlotKeys(
      alarms,
      () => [this.image.settings.slotKeyOne ?? 0, this.image.settings.slotKeyTwo ?? 0],
      () => this.goToSlot('next'),
    )
    this.power = this.newPower()
    this.link = this.newLink()
    const [slot = 0, quality = 0] = this.store.settings() ?? []
    this.activeSlot = Math.min(slot, model.memory.slots - 1)
    this.motion.measuredIn = quality
    this.loadSlot()
    this.attach()
    this.tidySoon()
  }

  /** Another connection, or none: what was half told over the old one is forgotten. */
  attach(): void {
    this.link.close()
    this.link = this.newLink()
    this.typist.stop()
    this.macros.stopAll()
    this.outbox.attach(this.image.rateHz(this.around.connection()))
    this.updateLoad()
  }

  get inForce(): InForce {
    const { number: step, isHeld: stepHeld } = this.steps
    const { dpi = 0, dpiY } = this.steps.inForce ?? {}
    return {
      step,
      dpi,
      ...(dpiY !== undefined && { dpiY }),
      stepHeld,
      slot: this.activeSlot + 1,
      layers: [...this.layers.stack],
      low: this.power.low,
    }
  }

  /** How much later than its contact a press counts. */
  get pressDelayUs(): number {
    const { strategy, us } = this.image.debounce
    return strategy === 'deferred' ? us : 0
  }

  /** The surface quality the sensor is measured in to; 0 for the factory's. */
  get measuredIn(): number {
    return this.motion.measuredIn
  }

  /** One detent of a wheel or knob. */
  turn(input: number): void {
    this.note(input)
    this.lights.pressed(input, this.around.alarms.nowUs, true)
    if (!this.taken(input)) this.bindings.turn(input)
  }

  /** Signals of the other devices on the receiver. */
  hear(mask: number): void {
    this.layers.hear(mask)
  }

  move(dxMm: number, dyMm: number): void {
    this.power.active()
    this.awake()
    this.motion.move(dxMm, dyMm, this.steps)
  }

  updateLoad(): void {
    this.setBrightness()
    this.power.update()
    this.watchIdle()
  }

  private release(input: number): void {
    this.slotKeys.release(input)
    this.lights.released(input, this.around.alarms.nowUs)
    this.bindings.release(input)
  }

  private press(input: number): void {
    this.note(input)
    this.lights.pressed(input, this.around.alarms.nowUs)
    if (this.taken(input)) return
    this.slotKeys.press(input)
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
      outbox,
      layers,
      typist,
      steps,
      macros,
      goToSlot: (to) => this.goToSlot(to),
      changeLight: (change) => {
        this.lights.change(change)
        this.updateLoad()
      },
      countDown: (input, seconds, colour) =>
        this.countdowns.start(input, seconds, colour, () =>
          this.lights.showSignal(colour, this.around.alarms.nowUs),
        ),
    })
  }

  /** The computer may ask which input it was, so that a person can point at one by pressing it. */
  private note(input: number): void {
    this.lastInput = input
    this.presses++
    this.power.active()
    this.awake()
  }

  private newLink(): ConfigurationLink {
    const { model, alarms, battery } = this.around
    const slotBytes = slotCapacity(model.memory)
    return new ConfigurationLink({
      modelNumber: model.number,
      slots: model.memory.slots,
      slotBytes,
      info: () => ({
        protocol: PROTOCOL_VERSION,
        model: model.number,
        firmware: FIRMWARE_VERSION,
        serial: this.around.serial,
        slots: model.memory.slots,
        slotBytes,
        activeSlot: this.activeSlot,
        activeStep: this.steps.number,
        connection: model.connections.findIndex((connection) => connection === this.around.connection()),
        batteryPercent: battery?.percent(alarms.nowUs) ?? NO_BATTERY,
        charging: this.around.charging(),
        revision: this.store.revision,
        lastInput: this.lastInput,
        presses: this.presses & 0xff,
        logLines: this.log.lines.length,
      }),
      log: () => this.log.lines,
      allowed: () => this.around.connection()?.configurable ?? false,
      image: (slot) => this.store.image(slot),
      stage: (slot, length) =>
        new StagedImage(this.around.model, this.store, this.tasks, { slot, length }, (written) =>
          this.stored(written),
        ),
      clear: (slot, done, failed) =>
        this.tasks.add(
          () => this.store.write('cleared', slot, new Uint8Array()),
          () => {
            this.stored(slot)
            done()
          },
          failed,
        ),
      select: (slot) => this.switchTo(slot),
      calibrate: model.sensor?.calibration ? (what) => this.motion.calibrate(what) : undefined,
    })
  }

  /** Brightness is apart for the cable and the battery. */
  private setBrightness(): void {
    const { lightCablePercent = 100, lightBatteryPercent = 100, lightsOffMinutes = 0 } = this.image.settings
    const fed = this.around.battery === undefined || this.around.charging()
    this.lights.setting = {
      percent: fed ? lightCablePercent : lightBatteryPercent,
      offMinutes: lightsOffMinutes,
    }
  }

  /** Lights that go out for want of input draw nothing from then on. */
  private watchIdle(): void {
    const { alarms } = this.around
    if (this.idleAlarm) alarms.cancel(this.idleAlarm)
    this.idleAlarm = undefined
    const { offAtUs } = this.lights
    if (offAtUs > alarms.nowUs) this.idleAlarm = alarms.at(offAtUs, () => this.updateLoad())
  }

  /** An input, or a movement: lights that were out come on again. */
  private awake(): void {
    const { nowUs } = this.around.alarms
    const { offAtUs } = this.lights
    const wereOut = offAtUs > 0 && nowUs >= offAtUs
    this.lights.moved(nowUs)
    if (wereOut) this.updateLoad()
  }

  private newPower(): Power {
    const { alarms, battery, charging, empty } = this.around
    return new Power({
      alarms,
      battery,
      charging,
      empty,
      load: () => ({
        rateHz: this.around.connection()?.id === 'cable' ? 0 : this.image.rateHz(this.around.connection()),
        lightMa: this.lights.meanMa(),
      }),
      slept: (asleep) => (this.lights.asleep = asleep),
      notice: () => this.lights.showSignal(LOW_BATTERY, alarms.nowUs),
    })
  }

  private stepChanged(): void {
    if (this.steps.inForce) this.lights.setStep(this.steps.inForce.colour)
    this.lights.showStep(this.around.alarms.nowUs)
    this.updateLoad()
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
    this.outbox.setRate(this.image.rateHz(this.around.connection()))
    this.updateLoad()
    this.around.alarms.after(SETTINGS_DELAY_US, () => this.saveSettings())
  }

  private saveSettings(): void {
    const settings = Uint8Array.of(this.activeSlot, this.motion.measuredIn)
    if (sameBytes(this.store.settings(), settings)) return
    this.tasks.add(
      () => this.store.write('settings', 0, settings),
      () => this.tidySoon(),
      () => {},
    )
  }

  private loadSlot(): void {
    this.typist.stop()
    this.macros.stopAll()
    this.bindings.imageChanges()
    this.image = new ActiveImage(this.around.model, this.store.image(this.activeSlot), this.log)
    this.layers.load(this.image.layerSignals)
    this.steps.load(this.image.steps, this.image.defaultStep)
    this.applySettings()
    this.lights.load(this.image.stack)
    if (this.steps.inForce) this.lights.setStep(this.steps.inForce.colour)
  }

  private applySettings(): void {
    const { sensor, electrical } = this.around.model
    const settings = this.image.settings
    this.motion.load(sensor, settings)
    this.matrix.set(this.image.debounce)
    const { battery } = electrical
    if (battery) this.power.set({ ...battery, ...settings })
  }

  /** A slot holds something else now. */
  private stored(slot: number): void {
    if (slot === this.activeSlot) {
      this.loadSlot()
      this.outbox.setRate(this.image.rateHz(this.around.connection()))
      this.updateLoad()
    }
    this.tidySoon()
  }

  private tidySoon(): void {
    const nothing = () => {}
    this.around.alarms.after(TIDY_DELAY_US, () => this.tasks.add(() => this.store.tidy(), nothing, nothing))
  }
}

const sameBytes = (a: Uint8Array | undefined, b: Uint8Array): boolean =>
  a?.length === b.length && a.every((byte, index) => byte === b[index])
