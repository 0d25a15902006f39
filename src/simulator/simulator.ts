import { modelById } from '../core/device/models'
import type { DeviceModel } from '../core/device/model'
import { Clock } from '../firmware/clock'
import { ControlPipe, PipeClosed } from '../firmware/control-pipe'
import { SimulatedDevice, type Plugs } from '../firmware/device'
import type { DeviceEntry, DeviceSight, SimulatorEvent, SimulatorFace } from './face'
import type { DeviceStorage } from './storage'

/** The devices of the demo's person, as they lie on the desk when nothing else is stored. */
const DESK: { id: string; modelId: string; serial: number; charge: number; plugs: Plugs }[] = [
  {
    id: 'tern-7 #1',
    modelId: 'tern-7',
    serial: 0x7e41,
    charge: 0.82,
    plugs: { cable: false, receiver: true, power: true },
  },
]

/** Between two times the charge of a device is stored while somebody watches it. */
const CHARGE_STORED_MS = 30_000

interface Seat {
  id: string
  device: SimulatedDevice
  pipe: ControlPipe
  /** Real time at which its charge was last stored. */
  storedMs: number
}

/**
 * All simulated devices on one virtual clock that keeps up with real time, or runs slower so that hands can
 * reach into what is else over in milliseconds.
 */
export class Simulator implements SimulatorFace {
  private readonly clock = new Clock()
  private readonly seats = new Map<string, Seat>()
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
    return [...this.seats.values()].map(({ id, device }) => ({
      ...{ id, modelId: device.model.id, descriptor: device.descriptor, connectionId: device.connection?.id },
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
    const { device } = await this.seat(id)
    this.during(() => device.setPlugs(change))
    this.storeState(id, device)
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

  async look(id: string): Promise<DeviceSight> {
    const { device } = await this.seat(id)
    this.catchUp()
    const { cable, receiver, power, on } = device.state
    return { cable, receiver, power, on, lights: device.lights(), connectionId: device.connection?.id }
  }

  async setPace(pace: number): Promise<void> {
    this.catchUp()
    this.anchorVirtualUs = this.clock.nowUs
    this.anchorRealMs = this.realMs()
    this.currentPace = Math.min(1, Math.max(0.0005, pace))
    this.wakeForNextAlarm()
  }

  async pace(): Promise<number> {
    return this.currentPace
  }

  private async setDesk(): Promise<void> {
    for (const { id, modelId, serial, charge, plugs } of DESK) {
      const model = modelById(modelId)
      if (!model) continue
      const stored = await this.storage
        .load(id, model.memory.sectors * model.memory.sectorBytes)
        .catch((error: unknown) => this.storageFailed(error))
      const chargeMah = stored?.state?.chargeMah ?? charge * model.electrical.batteryMah
      const device = this.build(id, model, serial, stored?.flash, chargeMah)
      device.setPlugs(stored?.state?.plugs ?? plugs)
      this.seats.set(id, { id, device, pipe: new ControlPipe(this.clock, device), storedMs: this.realMs() })
      this.storeState(id, device)
    }
    this.wakeForNextAlarm()
  }

  private build(
    id: string,
    model: DeviceModel,
    serial: number,
    flash: Uint8Array | undefined,
    chargeMah: number,
  ) {
    const { sectorBytes } = model.memory
    const device: SimulatedDevice = new SimulatedDevice({
      ...{ model, clock: this.clock, serial, flash, chargeMah },
      events: {
        report: (report, atUs) => this.tell({ kind: 'report', deviceId: id, atUs, report }),
        connection: (connection) =>
          this.tell({ kind: 'connection', deviceId: id, connectionId: connection?.id }),
        sector: (sector) =>
          this.storage.storeSector(id, sector, device.flash.read(sector * sectorBytes, sectorBytes)),
      },
    })
    return device
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
    const { cable, receiver, power, chargeMah } = device.state
    this.storage.storeState({ deviceId, chargeMah, plugs: { cable, receiver, power } })
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
