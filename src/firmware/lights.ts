import { clamp } from '../core/base/numbers'
import { DARK, type Rgb } from '../core/base/colour'
import type { DeviceModel } from '../core/device/model'
import type { ActiveLayer, LightState, Press } from '../core/effects/effect'
import { PAIRING } from '../core/effects/conditions'
import { levelOf } from '../core/effects/fixed'
import { composeLight, driveLights, frameMs, prepareLight, overrideLights } from '../core/light/compose'
import { lightFigures } from '../core/light/current'
import { targetLights, lightPlan } from '../core/light/plan'
import type { LightChange } from '../core/actions/registry'
import type { LightEntry } from '../core/onboard/light-stack'

/** Time for which the indicator zone shows a changed step. */
const STEP_SHOWN_US = 2_000_000
/** A slot is shown by as many flashes as its number, with these times on and off. */
const FLASH_US = 160_000
/** Flashes while pairing. */
const PAIRING_COLOUR: Rgb = { red: 0x40, green: 0x90, blue: 0xff }
const FLASH_COLOUR: Rgb = { red: 0xff, green: 0xff, blue: 0xff }
/** A signal uses all lights for this number of flashes, with these times on and off. */
const SIGNAL_FLASHES = 8
const SIGNAL_FLASH_US = 250_000
/** Signals on all lights: a macro that cannot be played, a low battery. */
export const SIGNALS = {
  macroRefused: { red: 0xff, green: 0, blue: 0x40 },
  lowBattery: { red: 0xff, green: 0x5a, blue: 0x1e },
}
/** Brightness changes in tenths of the set value. */
const TENTHS = 10
/** Number of remembered presses: the fingers of two hands, and some that still fade. */
const MAX_PRESSES = 16

type Notice =
  | { kind: 'step'; colour: Rgb; fromUs: number }
  | { kind: 'slot'; count: number; fromUs: number }
  | { kind: 'signal'; colour: Rgb; fromUs: number }
  | { kind: 'pairing'; fromUs: number }

/** The state that lights read from the rest of the device. */
export interface LightSurroundings {
  nowUs(): number
  /** Active layers above the base, the highest first. */
  layers(): readonly (Omit<ActiveLayer, 'atMs'> & { atUs: number })[]
  macros(): readonly { macro: number; atUs: number }[]
  countdown(): { atUs: number; lengthUs: number; colour: Rgb } | undefined
  chargePercent(): number
  charging(): boolean
  /** Index of the connection counted from 1, 0 without one. */
  connection(): number
  /** The receiver's time in µs, if connected to one, so that its devices stay in step. */
  sharedUs(): number | undefined
  /** Error of its own clock in ppm. */
  clockPpm: number
}

export interface LightSettings {
  /** Brightness of all lights, in percent. */
  percent: number
  /** Minutes without input until they turn off; 0 for never. */
  offMinutes: number
}

/**
 * The lights of the device. A frame is a pure function of the stack, the state and the time, computed when someone
 * looks; otherwise nothing runs. Changes by presses last until another slot becomes active.
 */
export class Lights {
  private stack: readonly LightEntry[] = []
  private prepared
  private startUs = 0
  private notice: Notice | undefined
  private step: Rgb = DARK
  private level = TENTHS
  private dark = false
  /** Off to save power, regardless of other settings. */
  asleep = false
  /** 0 for the whole stack, otherwise a single effect, counted from 1. */
  private alone = 0
  private presses: { input: number; atUs: number; upUs?: number }[] = []
  private signalUs: number | undefined
  private lastInputUs = 0
  private readonly indicator: readonly number[]
  private readonly all: readonly number[]
  private readonly known = new Map<string, number>()
  setting: LightSettings = { percent: 100, offMinutes: 0 }

  constructor(
    private readonly model: DeviceModel,
    private readonly around: LightSurroundings,
  ) {
    const plan = lightPlan(model)
    const zone = model.zones.findIndex(({ id }) => id === model.indicatorZone)
    this.indicator = targetLights({ kind: 'zones', zones: [zone] }, plan)
    this.all = targetLights({ kind: 'all' }, plan)
    this.prepared = prepareLight(this.stack, model)
  }

  /** The stack of another slot, from its start. */
  load(stack: readonly LightEntry[]): void {
    const nowUs = this.around.nowUs()
    Object.assign(this, { stack, startUs: nowUs, level: TENTHS, dark: false, alone: 0, presses: [] })
    this.prepareShown()
  }

  /** Changes by presses: brightness in percent, off, the single effect shown. */
  get byHand(): { percent: number; dark: boolean; alone: number } {
    return { percent: this.level * TENTHS, dark: this.dark, alone: this.alone }
  }

  /** The colour of the active step; effects that show it update at once. */
  setStep(colour: Rgb): void {
    this.step = colour
  }

  /** On the indicator zone, unless the stack shows steps itself. */
  showStep(nowUs: number): void {
    if (this.stack.some(({ effect }) => effect.kind === 'step')) return
    this.notice = { kind: 'step', colour: this.step, fromUs: nowUs }
  }

  /** @param slot counted from 1 */
  showSlot(slot: number, nowUs: number): void {
    this.notice = { kind: 'slot', count: slot, fromUs: nowUs }
  }

  /** Effects that wait for a signal show it; if there are none, all lights flash. */
  showSignal(colour: Rgb, nowUs: number): void {
    this.signalUs = nowUs
    if (this.stack.some(({ when }) => when.kind === 'signal')) return
    this.notice = { kind: 'signal', colour, fromUs: nowUs }
  }

  /** While pairing: on the indicator, unless an effect shows it. @param fromUs start time */
  showPairing(fromUs: number | undefined): void {
    if (fromUs === undefined) {
      if (this.notice?.kind === 'pairing') this.notice = undefined
      return
    }
    const told = this.stack.some(({ when }) => when.kind === 'connection' && when.connection === PAIRING)
    if (!told) this.notice = { kind: 'pairing', fromUs }
  }

  /** Time when the lights turn off without input, or 0 for never. */
  get offAtUs(): number {
    const { offMinutes } = this.setting
    return offMinutes > 0 ? this.lastInputUs + offMinutes * 60e6 : 0
  }

  /** An input was pressed, or a wheel was turned, which counts as released at once. */
  pressed(input: number, nowUs: number, turned = false): void {
    this.lastInputUs = nowUs
    this.presses.push({ input, atUs: nowUs, ...(turned && { upUs: nowUs }) })
    if (this.presses.length > MAX_PRESSES) this.presses.shift()
  }

  released(input: number, nowUs: number): void {
    const press = this.presses.findLast((each) => each.input === input && each.upUs === undefined)
    if (press) press.upUs = nowUs
  }

  /** The device was moved: it is not idle. */
  moved(nowUs: number): void {
    this.lastInputUs = nowUs
  }

  change(change: LightChange): void {
    if (change === 'off') this.dark = !this.dark
    else this.dark = false
    const by = change === 'brighter' ? 1 : change === 'dimmer' ? -1 : 0
    this.level = clamp(this.level + by, 1, TENTHS)
    if (change !== 'next' && change !== 'previous') return
    const count = this.stack.length + 1
    this.alone = (this.alone + (change === 'next' ? 1 : count - 1)) % count
    this.startUs = this.around.nowUs()
    this.prepareShown()
  }

  /**
   * The LED level of each channel of each light at this moment: 0 to 255, red, green and blue of the first light, and
   * so on.
   */
  frame(): Uint8Array {
    const nowUs = this.around.nowUs()
    const light = composeLight(this.prepared, this.stateAt(nowUs), frameMs(this.effectUs(nowUs)))
    const noticed = this.noticeColour(nowUs)
    if (this.out(nowUs)) light.fill(0)
    else if (noticed)
      overrideLights(light, this.notice?.kind === 'signal' ? this.all : this.indicator, noticed)
    return driveLights(light, this.brightness, this.model.electrical).drives
  }

  /** Current of all lights in mA, averaged over their effects in the present state. */
  meanMa(): number {
    const nowUs = this.around.nowUs()
    if (this.out(nowUs)) return 0
    const state: LightState = { ...this.stateAt(nowUs), presses: [], macros: [] }
    const layers = state.layers.map(({ layer }) => layer)
    const key = [
      this.alone,
      this.brightness,
      Object.values(this.step),
      layers,
      Math.round(state.chargePercent),
    ]
    const name = [...key, state.charging, state.connection].join(' ')
    const ma = this.known.get(name) ?? lightFigures(this.shown, this.model, state, this.brightness).meanMa
    this.known.set(name, ma)
    return ma
  }

  private get shown(): readonly LightEntry[] {
    return this.alone === 0 ? this.stack : this.stack.slice(this.alone - 1, this.alone)
  }

  private prepareShown(): void {
    this.prepared = prepareLight(this.shown, this.model)
    this.known.clear()
  }

  private get brightness(): number {
    return Math.floor((levelOf(this.setting.percent) * this.level) / TENTHS)
  }

  private out(nowUs: number): boolean {
    const { offAtUs } = this
    return this.dark || this.asleep || (offAtUs > 0 && nowUs >= offAtUs)
  }

  /** The time of effects: the receiver's, or the device's own since the slot became active. */
  private effectUs(nowUs: number): number {
    const ownUs = (nowUs - this.startUs) * (1 + this.around.clockPpm / 1e6)
    return this.around.sharedUs() ?? Math.floor(ownUs)
  }

  private stateAt(nowUs: number): LightState {
    const baseUs = this.effectUs(nowUs)
    const since = (us: number) => Math.floor((us - nowUs + baseUs) / 1000)
    const { around } = this
    const countdown = around.countdown()
    return {
      step: this.step,
      layers: around.layers().map(({ atUs, ...layer }) => ({ ...layer, atMs: since(atUs) })),
      macros: around.macros().map(({ macro, atUs }) => ({ macro, atMs: since(atUs) })),
      chargePercent: around.chargePercent(),
      charging: around.charging(),
      connection: around.connection(),
      presses: this.presses.map(({ input, atUs, upUs }): Press => ({
        input,
        atMs: since(atUs),
        ...(upUs !== undefined && { upMs: since(upUs) }),
      })),
      ...(this.signalUs !== undefined && { signalAtMs: since(this.signalUs) }),
      ...(countdown && {
        countdown: {
          atMs: since(countdown.atUs),
          lengthMs: Math.floor(countdown.lengthUs / 1000),
          colour: countdown.colour,
        },
      }),
      arrivalAtMs: since(this.startUs),
      lastInputMs: since(Math.min(nowUs, this.lastInputUs)),
    }
  }

  private noticeColour(nowUs: number): Rgb | undefined {
    if (!this.notice) return undefined
    const sinceUs = nowUs - this.notice.fromUs
    if (this.notice.kind === 'step') return sinceUs < STEP_SHOWN_US ? this.notice.colour : undefined
    if (this.notice.kind === 'pairing')
      return Math.floor(sinceUs / FLASH_US) % 2 === 0 ? PAIRING_COLOUR : DARK
    const { flashes, flashUs, colour } =
      this.notice.kind === 'slot'
        ? { flashes: this.notice.count, flashUs: FLASH_US, colour: FLASH_COLOUR }
        : { flashes: SIGNAL_FLASHES, flashUs: SIGNAL_FLASH_US, colour: this.notice.colour }
    if (sinceUs >= flashes * 2 * flashUs) return undefined
    return Math.floor(sinceUs / flashUs) % 2 === 0 ? colour : DARK
  }
}
