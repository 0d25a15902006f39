import { firstItems, itemAt } from '../core/base/items'
import type { Connection, DeviceInput, DeviceModel } from '../core/device/model'
import { reportDescriptor } from '../core/hid/descriptor'
import { type Rgb } from '../core/base/colour'
import type { Capabilities } from '../core/onboard/capabilities'
import { lightPlan } from '../core/light/plan'
import { SURFACES, type Surface } from '../core/motion/surface'
import { Air } from './air'
import { Battery } from './battery'
import { bankGeometry, FirmwareBanks, type FirmwareChoice } from './banks'
import { Boot } from './boot'
import { PoweredAlarms, type Clock } from './clock'
import type { DeviceEvents, DeviceOptions, DeviceState } from './device-options'
import { NorFlash } from './flash'
import { NOTHING_ACTIVE } from './active-state'
import type { Plugs } from './plugs'
import type { RadioMember, Receiver } from './radio'
import { RunningFirmware } from './running'
import { factoryFlash } from './records'
import { PERFECT_SENSOR, type SensorErrors } from './sensor'
import type { GaugeState } from './gauge'
import type { SignatureCheck } from './signature'

/** A restart: delay until it turns off, and its time off. */
const RESTART_AFTER_US = 20_000
const DOWN_US = 300_000

/** Bytes of flash that share their check bits: the simulated parts refuse to program such a unit twice. */
const FLASH_UNIT_BYTES = 16

/**
 * One simulated device: its parts on one virtual clock. It knows its model and the bytes in its flash, but no profiles.
 */
export class SimulatedDevice {
  readonly model: DeviceModel
  readonly flash: NorFlash
  /** The part with the firmware banks. */
  readonly bankFlash: NorFlash
  private readonly banks: FirmwareBanks
  private readonly signatureCheck: () => SignatureCheck | undefined
  private readonly boot: Boot
  /** Restarts: it is off for a moment. */
  private down = false
  readonly serial: number
  private readonly clock: Clock
  private readonly alarms: PoweredAlarms
  private readonly events: DeviceEvents
  /** Missing in a device without a battery. */
  private readonly battery: Battery | undefined
  private readonly receiver: Receiver | undefined
  private readonly air: Air
  private readonly plugs: Plugs = { cable: 'none', receiver: false, radio: 'receiver', power: true }
  private readonly clockPpm: number
  private running: RunningFirmware | undefined
  private readonly traits: SensorErrors
  private surface: Surface
  private heightMm = 0
  private current: Connection | undefined
  /** Signals of shared layers activated by this device's own keys. */
  private signals = 0
  private readonly radio: RadioMember = { hear: (mask) => this.running?.hear(mask) }

  constructor({
    model,
    clock,
    serial = 1,
    flash,
    chargeMah,
    gauge,
    receiver,
    factoryPairing,
    clockPpm = 0,
    traits,
    surface,
    banks,
    factoryFirmware,
    signatureCheck = () => undefined,
    events = {},
  }: DeviceOptions) {
    this.traits = traits ?? PERFECT_SENSOR
    this.surface = surface ?? itemAt(SURFACES, 0)
    this.model = model
    this.clock = clock
    this.serial = serial
    this.alarms = new PoweredAlarms(clock)
    this.events = {
      report: () => {},
      connection: () => {},
      sector: () => {},
      bankSector: () => {},
      ownChanged: () => {},
      ...events,
    }
    this.flash = new NorFlash(
      model.memory,
      flash ?? factoryFlash(model.memory),
      (sector) => this.events.sector(sector),
      FLASH_UNIT_BYTES,
    )
    this.bankFlash = new NorFlash(
      bankGeometry(model.memory),
      banks,
      (sector) => this.events.bankSector(sector),
      FLASH_UNIT_BYTES,
    )
    this.banks = new FirmwareBanks(this.bankFlash, model.number, factoryFirmware)
    this.boot = new Boot(
      this.banks,
      this.alarms,
      (version, abilities, bank) => this.run(version, abilities, bank),
      () => this.setPlugs({}),
    )
    this.signatureCheck = signatureCheck
    this.receiver = receiver
    this.air = new Air(serial, receiver, this.plugs, factoryPairing)
    this.clockPpm = clockPpm
    const { battery } = model.electrical
    this.battery =
      battery && new Battery(model.electrical, battery, chargeMah ?? battery.capacityMah, clock.nowUs, gauge)
    if (this.powered()) this.boot.begin()
  }

  /** The descriptor that a computer receives when the device is attached. */
  get descriptor(): Uint8Array {
    return reportDescriptor()
  }

  /** The name of the device, in UTF-8; empty by default, and without power. */
  get name(): string {
    return new TextDecoder().decode(this.running?.name)
  }

  get state(): DeviceState {
    const chargeMah = this.battery?.charge(this.clock.nowUs) ?? 0
    const { plugs, surface, heightMm, running } = this
    const inForce = running?.inForce ?? NOTHING_ACTIVE
    return { ...plugs, chargeMah, on: running !== undefined, surface: surface.id, heightMm, ...inForce }
  }

  /** Counters of its battery gauge; undefined without a battery. */
  get gauge(): GaugeState | undefined {
    this.battery?.charge(this.clock.nowUs)
    return this.battery?.gauge.state
  }

  /** The active connection, or undefined. */
  get connection(): Connection | undefined {
    return this.current
  }

  /** The cable takes precedence over wireless, and nothing is connected without power. */
  private connectionByPlugs(): Connection | undefined {
    const { cable } = this.plugs
    const overAir = this.air.reached(this.running?.paired)
    const id = !this.running ? undefined : cable === 'data' ? 'cable' : overAir
    return this.model.connections.find((connection) => connection.id === id)
  }

  private powered(): boolean {
    const charged = (this.battery?.charge(this.clock.nowUs) ?? 0) > 0
    return !this.down && this.plugs.power && (this.plugs.cable !== 'none' || charged)
  }

  /** Changes plugs and switches, by hand, at any time. */
  setPlugs(change: Partial<Plugs>): void {
    Object.assign(this.plugs, change)
    const powered = this.powered()
    if (powered && !this.running && !this.boot.underWay) this.boot.begin()
    else if (!powered && (this.running || this.boot.underWay)) this.losePower()
    const next = this.connectionByPlugs()
    if (next !== this.current) {
      this.current = next
      this.reconnect()
    }
    this.running?.updateLoad()
  }

  /** @throws RangeError for an unknown input */
  press(inputId: string): void {
    this.stopWhenEmpty()
    this.running?.matrix.contact(this.input(inputId).number, true)
  }

  release(inputId: string): void {
    this.running?.matrix.contact(this.input(inputId).number, false)
  }

  /** @param detents detents of a wheel or knob; at most 100 */
  turn(inputId: string, detents: number): void {
    const { number } = this.input(inputId)
    for (let count = 0; count < Math.min(100, detents); count++) this.running?.turn(number)
  }

  /** Moves the device across the table, in mm; x to the right, y towards the hand. */
  move(dxMm: number, dyMm: number): void {
    this.running?.move(dxMm, dyMm)
  }

  /** Delay of a press after its contact, from the active slot. */
  get pressDelayUs(): number {
    return this.running?.pressDelayUs ?? 0
  }

  /** Lifts it by this many mm, or sets it down at 0. */
  lift(heightMm: number): void {
    this.heightMm = Math.max(0, heightMm)
    this.placeSensor()
  }

  /** Places it on another surface. */
  layOn(surface: Surface): void {
    this.surface = surface
    this.placeSensor()
  }

  /** Uses the surface and the calibration of another device, until it loses power. */
  resemble(other: SimulatedDevice): void {
    this.layOn(other.surface)
    if (this.running) this.running.motion.measuredIn = other.running?.motion.measuredIn ?? 0
  }

  private placeSensor(): void {
    this.running?.motion.sensor.place(this.surface, this.heightMm)
  }

  /** The LED levels of all lights, three each in the model's order: 0 to 255 for red, green and blue. */
  drives(): Uint8Array {
    return this.running?.lights.frame() ?? new Uint8Array(3 * lightPlan(this.model).count)
  }

  /** The same per light. */
  lights(): Rgb[] {
    const drives = this.drives()
    return Array.from({ length: drives.length / 3 }, (_, light) => {
      const [red, green, blue] = firstItems(drives.subarray(3 * light, 3 * light + 3), 3)
      return { red, green, blue }
    })
  }

  /** A configuration report arrives. @returns false if nothing is connected */
  setFeature(data: Uint8Array): boolean {
    if (!this.connection || !this.running) return false
    this.running.link.set(data)
    return true
  }

  /** The configuration reply, or undefined if nothing is connected. */
  getFeature(): Uint8Array | undefined {
    this.stopWhenEmpty()
    return this.connection && this.running?.link.get()
  }

  private input(inputId: string): DeviceInput {
    const input = this.model.inputs.find(({ id }) => id === inputId)
    if (!input) throw new RangeError(`${this.model.name} has no input "${inputId}"`)
    return input
  }

  /** An empty battery is noticed when the device is used next. */
  private stopWhenEmpty(): void {
    if (this.running && !this.powered()) this.setPlugs({})
  }

  private restart(): void {
    // The computer has its reply by then.
    this.alarms.after(RESTART_AFTER_US, () => {
      this.down = true
      this.setPlugs({})
      this.clock.at(this.clock.nowUs + DOWN_US, () => {
        this.down = false
        this.setPlugs({})
      })
    })
  }

  private run(
    version: FirmwareChoice['version'],
    abilities: Capabilities,
    bankInUse: number | undefined,
  ): void {
    this.running = new RunningFirmware({
      version,
      abilities,
      air: this.air,
      ownChanged: () => {
        this.setPlugs({})
        this.events.ownChanged()
      },
      bankInUse,
      banks: this.banks,
      signatureCheck: this.signatureCheck,
      restart: () => this.restart(),
      model: this.model,
      serial: this.serial,
      flash: this.flash,
      alarms: this.alarms,
      battery: this.battery,
      connection: () => this.current,
      charging: () => this.battery !== undefined && this.plugs.cable !== 'none',
      report: (report) => this.events.report(report, this.clock.nowUs),
      sharedUs: () =>
        this.current?.id === 'receiver' ? this.receiver?.timeAt(this.clock.nowUs, this.clockPpm) : undefined,
      clockPpm: this.clockPpm,
      empty: () => this.stopWhenEmpty(),
      traits: this.traits,
      signals: (mask) => {
        this.signals = mask
        if (this.current?.id === 'receiver') this.receiver?.tell(this.radio, mask)
      },
    })
    this.placeSensor()
  }

  private losePower(): void {
    this.alarms.cancelAll()
    this.boot.cancel()
    this.flash.losePower()
    this.bankFlash.losePower()
    this.running = undefined
    this.signals = 0
    this.battery?.noLoad(this.clock.nowUs)
  }

  private reconnect(): void {
    if (this.current?.id === 'receiver') this.receiver?.tell(this.radio, this.signals)
    else this.receiver?.leave(this.radio)
    this.running?.attach()
    this.events.connection(this.connection)
  }
}
