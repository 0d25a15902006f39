import { ActiveImage } from './active-image'
import { Bindings, indexAfter } from './bindings'
import { TaskQueue } from './clock'
import { ConfigurationLink } from './configuration'
import { Countdowns } from './countdowns'
import { deviceInfo } from './device-info'
import { DeviceLog } from './device-log'
import { FACTORY_PRESS_MS } from '../core/onboard/settings'
import { FirmwareUpdate } from './firmware-update'
import { IdleLights } from './idle-lights'
import type { ActiveState } from './active-state'
import { Layers } from './layers'
import { Lights, SIGNALS } from './lights'
import { lightSurroundings } from './light-surroundings'
import { configurationTargets } from './configuration-targets'
import { MacroPlayer } from './macro-player'
import { Matrix } from './matrix'
import { Motion } from './motion'
import { Outbox } from './outbox'
import type { StoredPairing } from './stored-pairing'
import { Pairing } from './pairing'
import { Power } from './power'
import { Runner } from './runner'
import { SlotStore } from './slots'
import type { Surroundings } from './surroundings'
import { SlotKeys } from './slot-keys'
import { Steps } from './steps'
import { Taps } from './taps'
import { Typist } from './typist'
import { Upkeep } from './upkeep'

/** Everything in the device's memory while it has power. */
export class RunningFirmware {
  readonly matrix: Matrix
  private readonly slotKeys: SlotKeys
  private readonly pairing: Pairing
  private readonly bindings: Bindings
  readonly lights: Lights
  link: ConfigurationLink
  private readonly log = new DeviceLog()
  private readonly outbox: Outbox
  private readonly typist: Typist
  private readonly taps: Taps
  private readonly macros: MacroPlayer
  private readonly layers: Layers
  private readonly steps: Steps
  private readonly countdowns: Countdowns
  readonly motion: Motion
  private readonly power: Power
  private readonly store: SlotStore
  private readonly tasks: TaskQueue
  private readonly upkeep: Upkeep
  private readonly update: FirmwareUpdate
  private activeSlot = 0
  private lastInput = 0
  private presses = 0
  private readonly idle: IdleLights
  private image: ActiveImage

  constructor(private readonly around: Surroundings) {
    const { model, alarms } = around
    this.store = new SlotStore(around.flash)
    this.image = this.imageOf(undefined)
    this.tasks = new TaskQueue(alarms)
    const now = () => ({ slot: this.activeSlot, quality: this.motion.measuredIn })
    this.upkeep = new Upkeep(alarms, this.tasks, this.store, this.log, now)
    this.update = new FirmwareUpdate(around, this.tasks)
    this.countdowns = new Countdowns(alarms)
    this.outbox = new Outbox(alarms, (report) => {
      around.report(report)
      this.power.active()
    })
    this.motion = new Motion(around.traits, this.outbox, () => this.upkeep.keep())
    this.typist = new Typist(alarms, this.outbox)
    this.taps = new Taps(alarms)
    this.macros = new MacroPlayer(alarms, this.outbox, (macro) => this.image.codeOf(macro), {
      unknown: (code) => this.log.note('macro operation', code),
      refuse: () => this.lights.showSignal(SIGNALS.macroRefused, alarms.nowUs),
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
    this.lights = this.newLights()
    this.idle = new IdleLights(alarms, this.lights, () => this.updateLoad())
    this.steps = new Steps(model, () => this.stepChanged())
    this.bindings = new Bindings(alarms, this.layers, this.newRunner(), (input) =>
      this.image.resolve(input, this.layers.stack),
    )
    this.matrix = new Matrix(alarms, this.image.debounce, (input, down) =>
      down ? this.press(input) : this.release(input),
    )
    this.pairing = new Pairing(
      around,
      (found) => this.pairedWith(found),
      () => this.lights.showPairing(this.pairing.lookingFromUs),
    )
    this.slotKeys = new SlotKeys(
      alarms,
      () => [this.image.settings.slotKeyOne ?? 0, this.image.settings.slotKeyTwo ?? 0],
      () => this.goToSlot('next'),
    )
    this.power = this.newPower()
    this.link = this.newLink()
    this.recall()
    this.loadSlot()
    this.attach()
    this.upkeep.tidySoon()
  }

  /** The connection changed: incomplete data of the old one is dropped. */
  attach(): void {
    this.link.close()
    this.link = this.newLink()
    this.taps.finishAll()
    this.typist.stop()
    this.macros.stopAll()
    this.outbox.attach(this.image.rateHz(this.around.connection()))
    this.updateLoad()
  }

  get inForce(): ActiveState {
    const { number: step, isHeld: stepHeld } = this.steps
    const { dpi = 0, dpiY } = this.steps.inForce ?? {}
    return {
      step,
      dpi,
      ...(dpiY !== undefined && { dpiY }),
      stepHeld,
      slot: this.activeSlot + 1,
      profile: this.image.name,
      layers: [...this.layers.stack],
      rateHz: this.around.connection() ? this.image.rateHz(this.around.connection()) : 0,
      light: this.lights.byHand,
      pairing: this.pairing.lookingFromUs !== undefined,
      low: this.power.low,
    }
  }

  /** The name of the device, in UTF-8; empty by default. */
  get name(): Uint8Array {
    return this.upkeep.name
  }

  /** Delay of a press after its contact. */
  get pressDelayUs(): number {
    const { strategy, us } = this.image.debounce
    return strategy === 'deferred' ? us : 0
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
    this.idle.awake()
    this.motion.move(dxMm, dyMm, this.steps)
  }

  updateLoad(): void {
    this.setBrightness()
    this.power.update()
    this.idle.watch()
  }

  private release(input: number): void {
    this.pairing.release(input)
    this.slotKeys.release(input)
    this.lights.released(input, this.around.alarms.nowUs)
    this.bindings.release(input)
  }

  private press(input: number): void {
    this.note(input)
    this.pairing.press(input)
    this.lights.pressed(input, this.around.alarms.nowUs)
    if (this.taken(input)) return
    this.slotKeys.press(input)
    this.macros.otherPressed(input)
    this.bindings.press(input)
  }

  /** Over some connections, an input has a fixed function of the device. */
  private taken(input: number): boolean {
    const without = this.around.connection()?.without?.inputs ?? []
    return this.around.model.inputs.some(({ id, number }) => number === input && without.includes(id))
  }

  private newLights(): Lights {
    return new Lights(
      this.around.model,
      lightSurroundings(this.around, {
        image: () => this.image,
        layers: this.layers,
        macros: this.macros,
        countdowns: this.countdowns,
        pairing: () => this.pairing.lookingFromUs !== undefined,
      }),
    )
  }

  private newRunner(): Runner {
    const { outbox, layers, typist, taps, steps, macros } = this
    return new Runner({
      outbox,
      layers,
      typist,
      taps,
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

  /** The computer can read which input it was, so that people can identify inputs by pressing them. */
  private note(input: number): void {
    this.lastInput = input
    this.presses++
    this.power.active()
    this.idle.awake()
  }

  /** Its pairings. */
  get paired(): StoredPairing {
    return this.upkeep.paired ?? this.around.air.factoryPairing
  }

  private pairedWith(found: Partial<StoredPairing> | undefined): void {
    this.upkeep.paired = { ...this.paired, ...found }
    this.upkeep.keep()
    this.around.air.paired(found)
    this.around.ownChanged()
  }

  private newLink(): ConfigurationLink {
    const { store, tasks, log, upkeep, update, motion } = this
    const targets = configurationTargets(this.around, {
      store,
      tasks,
      log,
      upkeep,
      update,
      motion,
      info: () =>
        deviceInfo(this.around, {
          activeSlot: this.activeSlot,
          activeStep: this.steps.number,
          revision: this.store.revision,
          lastInput: this.lastInput,
          presses: this.presses & 0xff,
          logLines: this.log.lines.length,
        }),
      stored: (slot) => this.stored(slot),
      select: (slot) => this.switchTo(slot),
      renamed: () => this.around.ownChanged(),
      wasReset: () => {
        this.recall()
        this.stored(this.activeSlot)
        this.around.ownChanged()
      },
    })
    return new ConfigurationLink(targets)
  }

  /** Brightness is separate for cable and battery. */
  private setBrightness(): void {
    const { lightCablePercent = 100, lightBatteryPercent = 100, lightsOffMinutes = 0 } = this.image.settings
    const fed = this.around.battery === undefined || this.around.charging()
    this.lights.setting = {
      percent: fed ? lightCablePercent : lightBatteryPercent,
      offMinutes: lightsOffMinutes,
    }
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
      slept: (asleep) => this.slept(asleep),
      notice: () => this.lights.showSignal(SIGNALS.lowBattery, alarms.nowUs),
    })
  }

  /** An idle radio is received a few ms after it wakes up; a cable at once. */
  private slept(asleep: boolean): void {
    const { alarms, battery, connection } = this.around
    this.lights.asleep = asleep
    if (!asleep && connection()?.id !== 'cable')
      this.outbox.heardFromUs = alarms.nowUs + 1000 * (battery?.data.wakeMs ?? 0)
  }

  private stepChanged(): void {
    if (this.steps.inForce) this.lights.setStep(this.steps.inForce.colour)
    this.lights.showStep(this.around.alarms.nowUs)
    this.updateLoad()
  }

  /** Next and previous skip empty slots; a selected slot becomes active even if it is empty. */
  private goToSlot(to: 'next' | 'previous' | number): void {
    const { slots } = this.around.model.memory
    let slot = indexAfter(this.activeSlot, slots, to)
    while (typeof to !== 'number' && slot !== this.activeSlot && !this.store.image(slot)) {
      slot = indexAfter(slot, slots, to)
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
    this.upkeep.keepSoon()
  }

  /** The stored active slot and surface calibration. */
  private recall(): void {
    const { slot, quality } = this.upkeep.recall()
    this.activeSlot = Math.min(slot, this.around.model.memory.slots - 1)
    this.motion.measuredIn = quality
  }

  private imageOf(bytes: Uint8Array | undefined, log?: DeviceLog): ActiveImage {
    return new ActiveImage(this.around.model, bytes, this.around.abilities, log)
  }

  private loadSlot(): void {
    this.taps.finishAll()
    this.typist.stop()
    this.macros.stopAll()
    this.bindings.imageChanges()
    this.image = this.imageOf(this.store.image(this.activeSlot), this.log)
    this.layers.load(this.image.layerSignals)
    this.steps.load(this.image.steps, this.image.defaultStep)
    // Load the stack before the settings, so that this slot's effects show a low charge.
    this.lights.load(this.image.stack)
    if (this.steps.inForce) this.lights.setStep(this.steps.inForce.colour)
    this.applySettings()
  }

  private applySettings(): void {
    const { sensor, electrical } = this.around.model
    const settings = this.image.settings
    this.motion.load(sensor, settings)
    this.matrix.set(this.image.debounce)
    this.outbox.minPressUs = 1000 * (settings.pressMs ?? FACTORY_PRESS_MS)
    const { battery } = electrical
    if (!battery) return
    const { sleepMinutes = battery.sleepMinutes, noticePercent = battery.noticePercent } = settings
    this.power.set({ sleepMinutes, noticePercent })
  }

  /** The contents of a slot changed. */
  private stored(slot: number): void {
    if (slot === this.activeSlot) {
      this.loadSlot()
      this.outbox.setRate(this.image.rateHz(this.around.connection()))
      this.updateLoad()
    }
    this.upkeep.tidySoon()
  }
}
