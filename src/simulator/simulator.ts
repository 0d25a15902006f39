import { modelById } from '../core/device/models'
import { newPlace, includedDevices, type DeskPlace } from './desk'
import { deskDevice, RECEIVER_SERIAL } from './desk-device'
import { MAX_DEVICES } from './api'
import type { DeviceModel } from '../core/device/model'
import { ControlPipe, PipeClosed } from '../firmware/control-pipe'
import type { DeviceEvents } from '../firmware/device-options'
import type { Plugs } from '../firmware/plugs'
import { Receiver } from '../firmware/radio'
import type { SignatureCheck } from '../firmware/signature'
import { surfaceById } from '../core/motion/surface'
import type {
  ConnectionId,
  DeviceEntry,
  DeviceView,
  DryRun,
  DryRunRequest,
  PowerRun,
  PowerRunRequest,
  ReceiverView,
  SimulatorEvent,
  SimulatorApi,
  TestDeviceRun,
  TestDeviceRequest,
} from './api'
import { BorrowedDevices } from './borrowed-devices'
import { slideDevice } from './slide'
import { BY_CABLE, isOnAir, OVER_AIR, type SeatedDevice } from './seated-device'
import { RealTime } from './real-time'
import { StateStore } from './state-store'
import { banksOf, type DeviceStorage } from './storage'

/** Maximum time that is simulated after an absence: a year. */
const MAX_AWAY_MS = 365 * 24 * 3.6e6

/**
 * All simulated devices on one virtual clock that keeps up with real time, or runs slower so that short events can be
 * interrupted.
 */
export class Simulator implements SimulatorApi {
  private readonly time: RealTime
  /** Serial numbers of the devices paired with the desk's receiver. */
  private readonly known = new Set<number>()
  private readonly receiver: Receiver
  private readonly seats = new Map<string, SeatedDevice>()
  private desk: DeskPlace[] = []
  private verify: SignatureCheck | undefined
  private loading: Promise<void> | undefined
  private readonly lending: BorrowedDevices
  private readonly states: StateStore
  private readonly ready: Promise<void>

  /**
   * @param storage where flash is stored
   * @param tell sends events to all pages
   * @param realMs a monotonic clock of real time
   * @param wallMs ms since 1970, for the time of absence
   */
  constructor(
    private readonly storage: DeviceStorage,
    private readonly tell: (event: SimulatorEvent) => void,
    realMs: () => number,
    private readonly wallMs: () => number = Date.now,
  ) {
    this.time = new RealTime(realMs)
    this.receiver = new Receiver(this.time.clock, RECEIVER_SERIAL, this.known)
    this.lending = new BorrowedDevices(this.time, this.seats, (id) => this.eventsOf(id))
    this.states = new StateStore(this.time, this.seats, storage, wallMs)
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
      name: device.name,
    }))
  }

  async addDevice(modelId: string): Promise<string> {
    await this.ready
    const model = modelById(modelId)
    if (!model) throw new RangeError(`the device model "${modelId}" is unknown`)
    if (this.desk.length >= MAX_DEVICES) throw new RangeError(`there can be up to ${MAX_DEVICES} devices`)
    const place = newPlace(model, this.desk)
    await this.seatAt(place, model)
    this.states.store(place.id)
    await this.deskIs([...this.desk, place])
    return place.id
  }

  async removeDevice(id: string): Promise<void> {
    await this.seat(id)
    this.unseat(id)
    await this.deskIs(this.desk.filter((place) => place.id !== id))
  }

  async receiverOf(): Promise<ReceiverView> {
    await this.ready
    const of = [...this.seats.values()].filter(({ lent, device }) => !lent && this.known.has(device.serial))
    return { serial: RECEIVER_SERIAL, paired: of.map(({ id }) => id), plugged: this.receiverIn }
  }

  async forgetPaired(id: string): Promise<void> {
    const { device } = await this.seat(id)
    this.during(() => {
      this.receiver.forget(device.serial)
      device.setPlugs({})
    })
    this.storage.storeReceiver([...this.known])
    await this.storage.settled()
    this.tell({ kind: 'desk' })
  }

  private get receiverIn(): boolean {
    return [...this.seats.values()].some((seat) => isOnAir(seat) && seat.device.state.receiver)
  }

  async forgetAll(): Promise<void> {
    await this.ready
    for (const { id } of this.desk) this.unseat(id)
    await this.storage.settled()
    await this.setDesk(includedDevices())
    await this.deskIs(this.desk)
  }

  private unseat(id: string): void {
    const device = this.seats.get(id)?.device
    if (device)
      this.during(() => device.setPlugs({ cable: 'none', receiver: false, radio: 'off', power: false }))
    this.seats.delete(id)
    this.storage.forget(id)
    this.storage.forget(banksOf(id))
  }

  async sendFeatureReport(id: string, data: Uint8Array): Promise<boolean> {
    return (await this.transfer(id, (pipe) => pipe.set(data))) !== undefined
  }

  async receiveFeatureReport(id: string): Promise<Uint8Array | undefined> {
    const reply = await this.transfer(id, (pipe) => pipe.get())
    this.states.storeNowAndThen()
    // Nothing is reported as written before it would survive a closed browser.
    await this.storage.settled()
    return reply?.value
  }

  async setPlugs(id: string, change: Partial<Plugs>): Promise<void> {
    const seat = await this.seat(id)
    const { receiver, ...own } = change
    this.during(() => {
      for (const { device } of this.besideReceiver(seat, receiver)) device.setPlugs({ receiver })
      if (Object.keys(own).length > 0) seat.device.setPlugs(own)
    })
    for (const each of [seat, ...this.besideReceiver(seat, receiver)]) this.states.store(each.id)
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

  async slide(id: string, dxMm: number, dyMm: number, ms: number): Promise<void> {
    const { device } = await this.seat(id)
    this.during(() => slideDevice(this.time.clock, device, { dxMm, dyMm, ms }))
  }

  async lift(id: string, heightMm: number): Promise<void> {
    const { device } = await this.seat(id)
    this.during(() => device.lift(heightMm))
  }

  async layOn(id: string, surfaceId: string): Promise<void> {
    const { device } = await this.seat(id)
    const surface = surfaceById(surfaceId)
    if (!surface) throw new RangeError(`the surface "${surfaceId}" is unknown`)
    this.during(() => device.layOn(surface))
    this.states.store(id)
  }

  async borrow(modelId: string, connectionId: ConnectionId): Promise<string> {
    await this.ready
    return this.lending.borrow(modelId, connectionId)
  }

  async resemble(id: string, otherId: string): Promise<void> {
    const [{ device }, other] = [await this.seat(id), await this.seat(otherId)]
    this.during(() => device.resemble(other.device))
  }

  async giveBack(id: string): Promise<void> {
    this.lending.giveBack(id)
  }

  async look(id: string): Promise<DeviceView | undefined> {
    await this.ready
    // A page that polls a device may ask once more after the device was removed.
    const device = this.seats.get(id)?.device
    if (!device) return undefined
    this.time.catchUp()
    this.states.storeNowAndThen()
    const { chargeMah: _, ...state } = device.state
    return { ...state, lights: device.drives(), connectionId: device.connection?.id }
  }

  async memoryTrouble(): Promise<string | undefined> {
    await this.storage.settled()
    return this.storage.trouble
  }

  async setPace(pace: number): Promise<void> {
    this.time.setPace(pace)
  }

  // Code for separate devices is loaded when it is first needed.
  async specimen(request: TestDeviceRequest): Promise<TestDeviceRun> {
    return (await import('./test-device')).runTestDevice(request)
  }

  async powerRun(request: PowerRunRequest): Promise<PowerRun> {
    return (await import('./power-run')).powerRun(request)
  }

  async dryRun(request: DryRunRequest): Promise<DryRun> {
    return (await import('./dry-run')).dryRun(request)
  }

  async pace(): Promise<number> {
    return this.time.pace
  }

  private async setDesk(places?: DeskPlace[]): Promise<void> {
    this.desk = places ?? (await this.storage.desk().catch(() => undefined)) ?? includedDevices()
    const stored = places ? undefined : await this.storage.receiver().catch(() => undefined)
    const shipped = includedDevices().flatMap(({ paired, serial }) => (paired ? serial : []))
    this.known.clear()
    for (const serial of stored ?? shipped) this.known.add(serial)
    let lastMs = 0
    for (const place of this.desk) {
      const model = modelById(place.modelId)
      if (model) lastMs = Math.max(lastMs, await this.seatAt(place, model))
    }
    if (lastMs > 0) this.skipTimeAway(lastMs)
    this.states.storeAll()
    this.time.wakeForNextAlarm()
  }

  /** Advances the simulated devices by the time the page was closed: they fall asleep, or charge. */
  private skipTimeAway(lastMs: number): void {
    const awayMs = this.wallMs() - lastMs
    // Ignore a clock that was set back.
    if (awayMs > 0) this.time.skip(1000 * Math.min(awayMs, MAX_AWAY_MS))
  }

  /** @returns when its state was stored, in ms since 1970; 0 for a new one */
  private async seatAt(place: DeskPlace, model: DeviceModel): Promise<number> {
    const { device, stored } = await deskDevice(place, model, {
      clock: this.time.clock,
      receiver: this.receiver,
      signatureCheck: this.signatureCheck,
      storage: this.storage,
      failed: (error) => this.storageFailed(error),
      events: {
        ...this.eventsOf(place.id),
        ownChanged: () => {
          this.storage.storeReceiver([...this.known])
          this.tell({ kind: 'desk' })
        },
      },
    })
    const receiver = this.receiverIn
    const asNew = place.paired ? OVER_AIR : { ...BY_CABLE, receiver: model.pairing ? receiver : false }
    this.during(() => device.setPlugs(stored?.state?.plugs ?? asNew))
    const pipe = new ControlPipe(this.time.clock, device)
    const { id } = place
    this.seats.set(id, { id, device, pipe })
    return stored?.state?.atMs ?? 0
  }

  private async deskIs(places: DeskPlace[]): Promise<void> {
    this.desk = places
    this.storage.storeDesk(places)
    await this.storage.settled()
    this.tell({ kind: 'desk' })
  }

  private eventsOf(id: string): Pick<DeviceEvents, 'report' | 'connection'> {
    return {
      report: (report, atUs) => this.tell({ kind: 'report', deviceId: id, atUs, report }),
      connection: (connection) =>
        this.tell({ kind: 'connection', deviceId: id, connectionId: connection?.id }),
    }
  }

  /** Loaded when a device first needs it, because updates are rare. */
  private readonly signatureCheck = (): SignatureCheck | undefined => {
    this.loading ??= import('../firmware/signature').then(({ verifySignature }) => {
      this.verify = verifySignature
    })
    return this.verify
  }

  /** The seats that share a receiver's plug. */
  private besideReceiver(seat: SeatedDevice, receiver: boolean | undefined): SeatedDevice[] {
    return receiver !== undefined && isOnAir(seat) ? [...this.seats.values()].filter(isOnAir) : []
  }

  private storageFailed(error: unknown): undefined {
    this.storage.trouble = error instanceof Error ? error.message : String(error)
    this.tell({ kind: 'memory', trouble: this.storage.trouble })
    return undefined
  }

  private async seat(id: string): Promise<SeatedDevice> {
    await this.ready
    const seat = this.seats.get(id)
    if (!seat) throw new RangeError(`the device "${id}" does not exist`)
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

  private during<T>(act: () => T): T {
    return this.time.during(act)
  }
}
