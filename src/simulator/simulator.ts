import { DEVICE_MODELS, modelById } from '../core/device/models'
import { standInId } from './face'
import type { DeviceModel } from '../core/device/model'
import { Clock } from '../firmware/clock'
import { ControlPipe, PipeClosed } from '../firmware/control-pipe'
import { SimulatedDevice, type DeviceEvents, type Plugs } from '../firmware/device'
import { Receiver } from '../firmware/radio'
import { factoryFlash } from '../firmware/records'
import { surfaceById } from '../core/motion/surface'
import type {
  ConnectionId,
  DeviceEntry,
  DeviceSight,
  DryRun,
  DryRunRequest,
  PowerRun,
  PowerRunRequest,
  SimulatorEvent,
  SimulatorFace,
  Specimen,
  SpecimenRequest,
} from './face'
import { PLUGS } from './plugs'
import type { DeviceStorage, StoredDevice } from './storage'

const OVER_AIR: Plugs = { cable: 'none', receiver: true, radio: 'receiver', power: true }
const BY_CABLE: Plugs = { cable: 'data', receiver: false, radio: 'off', power: true }

interface Place {
  id: string
  serial: number
  charge: number
  /** Whether it is paired to the desk's receiver. */
  paired: boolean
}

/** Between two times the charge of a device is stored while somebody watches it. */
const CHARGE_STORED_MS = 30_000

interface Seat {
  id: string
  paired: boolean
  device: SimulatedDevice
  pipe: ControlPipe
  /** Real time at which its charge was last stored. */
  storedMs: number
  /** Lent out: it keeps nothing, and is not among the devices on the desk. */
  lent?: boolean
}

/** Pages that went away without giving back leave no more than this behind. */
const MOST_LENT = 6

/**
 * All simulated devices on one virtual clock that keeps up with real time, or runs slower so that hands can
 * reach into what is else over in milliseconds.
 */
export class Simulator implements SimulatorFace {
  private readonly clock = new Clock()
  private readonly receiver = new Receiver(this.clock)
  private readonly seats = new Map<string, Seat>()
  private lendings = 0
  private currentPace = 1
  private anchorRealMs: number
  private anchorVirtualUs = 0
  private timer: ReturnType<typeof setTimeout> | undefined
  private readonly ready: Promise<void>

  /**
   * @param storage where flash is kept
   * @param tell takes what every page is told
   * @param realMs a clock of real time that never goes back
   */
  constructor(
    private readonly storage: DeviceStorage,
    private readonly tell: (event: SimulatorEvent) => void,
    private readonly realMs: () => number,
  ) {
    this.anchorRealMs = realMs()
    this.ready = this.setDesk()
  }

  async devices(): Promise<DeviceEntry[]> {
    await this.ready
    const onDesk = [...this.seats.values()].filter(({ lent }) => !lent)
    return onDesk.map(({ id, device }) => ({
      id,
      modelId: device.model.id,
      descriptor: device.descriptor,
      connectionId: device.connection?.id,
    }))
  }

  async sendFeatureReport(id: string, data: Uint8Array): Promise<boolean> {
    return (await this.transfer(id, (pipe) => pipe.set(data))) !== undefined
  }

  async receiveFeatureReport(id: string): Promise<Uint8Array | undefined> {
    const reply = await this.transfer(id, (pipe) => pipe.get())
    await this.storeChargeNowAndThen(id)
    // Nothing is said to be on the device before it would survive a closed browser.
    await this.storage.settled()
    return reply?.value
  }

  async setPlugs(id: string, change: Partial<Plugs>): Promise<void> {
    const seat = await this.seat(id)
    const { receiver, ...own } = change
    this.during(() => {
      for (const { device } of this.paired(seat, receiver)) device.setPlugs({ receiver })
      if (Object.keys(own).length > 0) seat.device.setPlugs(own)
    })
    for (const each of [seat, ...this.paired(seat, receiver)]) this.storeState(each.id, each.device)
    await this.storage.settled()
  }

  async press(id: string, inputId: string): Promise<void> {
    const { device } = await this.seat(id)
    this.during(() => device.press(inputId))
  }

  async release(id: string, inputId: string): Promise<void> {
    const { device } = await this.seat(id)
    this.during(() => device.release(inputId))
  }

  async turn(id: string, inputId: string, detents: number): Promise<void> {
    const { device } = await this.seat(id)
    this.during(() => device.turn(inputId, detents))
  }

  async move(id: string, dxMm: number, dyMm: number): Promise<void> {
    const { device } = await this.seat(id)
    this.during(() => device.move(dxMm, dyMm))
  }

  async lift(id: string, heightMm: number): Promise<void> {
    const { device } = await this.seat(id)
    this.during(() => device.lift(heightMm))
  }

  async layOn(id: string, surfaceId: string): Promise<void> {
    const { device } = await this.seat(id)
    const surface = surfaceById(surfaceId)
    if (!surface) throw new RangeError(`there is no surface "${surfaceId}"`)
    this.during(() => device.layOn(surface))
  }

  async borrow(modelId: string, connectionId: ConnectionId): Promise<string> {
    await this.ready
    const model = modelById(modelId)
    if (!model) throw new RangeError(`there is no model "${modelId}"`)
    const lent = [...this.seats.values()].filter((seat) => seat.lent)
    if (lent.length >= MOST_LENT) await this.giveBack(lent[0].id)
    const id = `lent ${++this.lendings}`
    this.during(() => {
      const events = this.eventsOf(id)
      const receiver = new Receiver(this.clock)
      const device = new SimulatedDevice({ model, clock: this.clock, receiver, events })
      device.setPlugs(PLUGS[connectionId])
      const pipe = new ControlPipe(this.clock, device)
      this.seats.set(id, { id, paired: false, device, pipe, storedMs: 0, lent: true })
    })
    return id
  }

  async resemble(id: string, otherId: string): Promise<void> {
    const [{ device }, other] = [await this.seat(id), await this.seat(otherId)]
    this.during(() => device.resemble(other.device))
  }

  async giveBack(id: string): Promise<void> {
    const seat = this.seats.get(id)
    if (!seat?.lent) return
    this.during(() => seat.device.setPlugs({ cable: 'none', receiver: false, radio: 'off', power: false }))
    this.seats.delete(id)
  }

  async look(id: string): Promise<DeviceSight> {
    const { device } = await this.seat(id)
    this.catchUp()
    const { chargeMah: _, ...state } = device.state
    return { ...state, lights: device.drives(), connectionId: device.connection?.id }
  }

  async setPace(pace: number): Promise<void> {
    this.catchUp()
    this.anchorVirtualUs = this.clock.nowUs
    this.anchorRealMs = this.realMs()
    this.currentPace = Math.min(1, Math.max(0.0005, pace))
    this.wakeForNextAlarm()
  }

  // What is played on a device of its own loads when it is first asked for.
  async specimen(request: SpecimenRequest): Promise<Specimen> {
    return (await import('./specimen')).specimen(request)
  }

  async powerRun(request: PowerRunRequest): Promise<PowerRun> {
    return (await import('./power-run')).powerRun(request)
  }

  async dryRun(request: DryRunRequest): Promise<DryRun> {
    return (await import('./dry-run')).dryRun(request)
  }

  async pace(): Promise<number> {
    return this.currentPace
  }

  private async setDesk(): Promise<void> {
    for (const model of DEVICE_MODELS) {
      const { serial, charge, over } = model.standIn
      const place = { id: standInId(model.id), serial, charge, paired: over === 'receiver' }
      const stored = await this.storage
        .load(place.id, factoryFlash(model.memory))
        .catch((error: unknown) => this.storageFailed(error))
      const device = this.build(place, model, stored)
      device.setPlugs(stored?.state?.plugs ?? (over === 'receiver' ? OVER_AIR : BY_CABLE))
      const pipe = new ControlPipe(this.clock, device)
      const { id, paired } = place
      this.seats.set(id, { id, paired, device, pipe, storedMs: this.realMs() })
      this.storeState(id, device)
    }
    this.wakeForNextAlarm()
  }

  private build({ id, serial, charge, paired }: Place, model: DeviceModel, stored: StoredDevice | undefined) {
    const { sectorBytes } = model.memory
    const capacityMah = model.electrical.battery?.capacityMah ?? 0
    const device: SimulatedDevice = new SimulatedDevice({
      model,
      clock: this.clock,
      serial,
      flash: stored?.flash,
      chargeMah: stored?.state?.chargeMah ?? charge * capacityMah,
      ...(paired && { receiver: this.receiver }),
      events: {
        ...this.eventsOf(id),
        sector: (sector) =>
          this.storage.storeSector(id, sector, device.flash.read(sector * sectorBytes, sectorBytes)),
      },
    })
    return device
  }

  private eventsOf(id: string): Pick<DeviceEvents, 'report' | 'connection'> {
    return {
      report: (report, atUs) => this.tell({ kind: 'report', deviceId: id, atUs, report }),
      connection: (connection) =>
        this.tell({ kind: 'connection', deviceId: id, connectionId: connection?.id }),
    }
  }

  /** The seats a receiver is put in or taken out for. */
  private paired(seat: Seat, receiver: boolean | undefined): Seat[] {
    return receiver !== undefined && seat.paired ? [...this.seats.values()].filter((each) => each.paired) : []
  }

  private storageFailed(error: unknown): undefined {
    this.tell({ kind: 'storage failed', message: error instanceof Error ? error.message : String(error) })
    return undefined
  }

  /** Whoever watches a device asks it every few seconds; its charge is stored on such an occasion. */
  private async storeChargeNowAndThen(id: string): Promise<void> {
    const seat = await this.seat(id)
    if (this.realMs() - seat.storedMs < CHARGE_STORED_MS) return
    seat.storedMs = this.realMs()
    this.storeState(id, seat.device)
  }

  private storeState(deviceId: string, device: SimulatedDevice): void {
    if (this.seats.get(deviceId)?.lent) return
    const { chargeMah, cable, receiver, radio, power } = device.state
    this.storage.storeState({ deviceId, chargeMah, plugs: { cable, receiver, radio, power } })
  }

  private async seat(id: string): Promise<Seat> {
    await this.ready
    const seat = this.seats.get(id)
    if (!seat) throw new RangeError(`no device "${id}" is on the desk`)
    return seat
  }

  private async transfer<T>(
    id: string,
    start: (pipe: ControlPipe) => Promise<T>,
  ): Promise<{ value: T } | undefined> {
    const { pipe } = await this.seat(id)
    const moving = this.during(() => start(pipe))
    try {
      return { value: await moving }
    } catch (error) {
      if (error instanceof PipeClosed) return undefined
      throw error
    }
  }

  /** Does something at the virtual moment that real time has reached. */
  private during<T>(act: () => T): T {
    this.catchUp()
    const result = act()
    this.wakeForNextAlarm()
    return result
  }

  private catchUp(): void {
    const elapsedUs = (this.realMs() - this.anchorRealMs) * 1000 * this.currentPace
    this.clock.runUntil(this.anchorVirtualUs + elapsedUs)
  }

  private wakeForNextAlarm(): void {
    clearTimeout(this.timer)
    const next = this.clock.nextAlarmUs
    if (next === undefined) return
    const delayMs = (next - this.clock.nowUs) / 1000 / this.currentPace
    this.timer = setTimeout(() => this.during(() => {}), Math.min(delayMs, 60_000))
  }
}
