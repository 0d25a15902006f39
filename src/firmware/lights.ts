import { DARK, type Rgb } from '../core/base/colour'
import type { DeviceModel } from '../core/device/model'
import type { LayerOn, LightState, Press } from '../core/effects/effect'
import { PAIRING } from '../core/effects/conditions'
import { levelOf } from '../core/effects/fixed'
import { composeLight, driveLights, frameMs, prepareLight, takeLights } from '../core/light/compose'
import { lightFigures } from '../core/light/current'
import { chosenOf, lightPlan } from '../core/light/plan'
import type { LightChange } from '../core/actions/registry'
import type { LightEntry } from '../core/onboard/light-stack'

/** How long the indicator zone shows a step after it changed. */
const STEP_SHOWN_US = 2_000_000
/** A slot is told by as many flashes as its number: this long lit, this long dark. */
const FLASH_US = 160_000
/** Flashes of this for as long as it looks for somebody to pair with. */
const PAIRING_COLOUR: Rgb = { red: 0x40, green: 0x90, blue: 0xff }
const FLASH_COLOUR: Rgb = { red: 0xff, green: 0xff, blue: 0xff }
/** A signal takes all lights for as many flashes, each this long lit and this long dark. */
const SIGNAL_FLASHES = 8
const SIGNAL_FLASH_US = 250_000
/** What the device tells by all its lights: a macro that is not played, a low charge. */
export const SIGNALS = {
  macroRefused: { red: 0xff, green: 0, blue: 0x40 },
  lowBattery: { red: 0xff, green: 0x5a, blue: 0x1e },
}
/** Brighter and dimmer go by tenths of what is set. */
const TENTHS = 10
/** Presses that are remembered: fingers of two hands, and some that still fade. */
const MOST_PRESSES = 16

type Notice =
  | { kind: 'step'; colour: Rgb; fromUs: number }
  | { kind: 'slot'; count: number; fromUs: number }
  | { kind: 'signal'; colour: Rgb; fromUs: number }
  | { kind: 'pairing'; fromUs: number }

/** What the lights ask of the rest of the device. */
export interface LightsAround {
  nowUs(): number
  /** Layers over the base that are on, uppermost first. */
  layers(): readonly (Omit<LayerOn, 'atMs'> & { atUs: number })[]
  macros(): readonly { macro: number; atUs: number }[]
  countdown(): { atUs: number; lengthUs: number; colour: Rgb } | undefined
  chargePercent(): number
  charging(): boolean
  /** Place of the connection counted from 1, 0 without one. */
  connection(): number
  /** The receiver's time in µs, where the device is on one: devices that share it keep in step. */
  sharedUs(): number | undefined
  /** How far its own clock is from true, in millionths. */
  clockPpm: number
}

export interface LightsSetting {
  /** Brightness of all, in percent. */
  percent: number
  /** Dark after so many minutes without an input; 0 for never. */
  offMinutes: number
}

/**
 * The device's lights. A frame is a pure function of the stack, the state and the time, worked out when somebody
 * looks: nothing runs while nobody does. What is changed by a press lasts until another slot comes on.
 */
export class Lights {
  private stack: readonly LightEntry[] = []
  private prepared
  private startUs = 0
  private notice: Notice | undefined
  private step: Rgb = DARK
  private level = TENTHS
  private dark = false
  /** Dark to save the battery, whatever else is set. */
  asleep = false
  /** 0 for the whole stack, otherwise one of its effects alone, counted from 1. */
  private alone = 0
  private presses: { input: number; atUs: number; upUs?: number }[] = []
  private signalUs: number | undefined
  private lastInputUs = 0
  private readonly indicator: readonly number[]
  private readonly all: readonly number[]
  private readonly known = new Map<string, number>()
  setting: LightsSetting = { percent: 100, offMinutes: 0 }

  constructor(
    private readonly model: DeviceModel,
    private readonly around: LightsAround,
  ) {
    const plan = lightPlan(model)
    const zone = model.zones.findIndex(({ id }) => id === model.indicatorZone)
    this.indicator = chosenOf({ kind: 'zones', zones: [zone] }, plan)
    this.all = chosenOf({ kind: 'all' }, plan)
    this.prepared = prepareLight(this.stack, model)
  }

  /** Another slot's stack, from the beginning. */
  load(stack: readonly LightEntry[]): void {
    const nowUs = this.around.nowUs()
    Object.assign(this, { stack, startUs: nowUs, level: TENTHS, dark: false, alone: 0, presses: [] })
    this.prepareShown()
  }

  /** What presses have made of it: brightness in percent, dark, the one effect that is shown alone. */
  get byHand(): { percent: number; dark: boolean; alone: number } {
    return { percent: this.level * TENTHS, dark: this.dark, alone: this.alone }
  }

  /** The colour of the step in use; effects that show it follow at once. */
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

  /** Effects of the stack that wait for a signal show it; where there are none, all lights flash. */
  showSignal(colour: Rgb, nowUs: number): void {
    this.signalUs = nowUs
    if (this.stack.some(({ when }) => when.kind === 'signal')) return
    this.notice = { kind: 'signal', colour, fromUs: nowUs }
  }

  /** While the device looks for somebody to pair with: on the indicator, unless an effect tells it. @param fromUs since when */
  showPairing(fromUs: number | undefined): void {
    if (fromUs === undefined) {
      if (this.notice?.kind === 'pairing') this.notice = undefined
      return
    }
    const told = this.stack.some(({ when }) => when.kind === 'connection' && when.connection === PAIRING)
    if (!told) this.notice = { kind: 'pairing', fromUs }
  }

  /** When the lights go out for want of input, or 0 where they do not. */
  get offAtUs(): number {
    const { offMinutes } = this.setting
    return offMinutes > 0 ? this.lastInputUs + offMinutes * 60e6 : 0
  }

  /** An input went down, or a wheel turned: that one is let go at once. */
  pressed(input: number, nowUs: number, turned = false): void {
    this.lastInputUs = nowUs
    this.presses.push({ input, atUs: nowUs, ...(turned && { upUs: nowUs }) })
    if (this.presses.length > MOST_PRESSES) this.presses.shift()
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
    this.level = Math.max(1, Math.min(TENTHS, this.level + by))
    if (change !== 'next' && change !== 'previous') return
    const count = this.stack.length + 1
    this.alone = (this.alone + (change === 'next' ? 1 : count - 1)) % count
    this.startUs = this.around.nowUs()
    this.prepareShown()
  }

  /** Drive of each channel of each light at this moment: 0 to 255, red, green and blue of the first, and so on. */
  frame(): Uint8Array {
    const nowUs = this.around.nowUs()
    const light = composeLight(this.prepared, this.stateAt(nowUs), frameMs(this.effectUs(nowUs)))
    const noticed = this.noticeColour(nowUs)
    if (this.out(nowUs)) light.fill(0)
    else if (noticed) takeLights(light, this.notice?.kind === 'signal' ? this.all : this.indicator, noticed)
    return driveLights(light, this.brightness, this.model.electrical).drives
  }

  /** Current of all lights in mA, mean over their effects in the state the device is in. */
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

  /** The time effects go by: the receiver's, or by its own clock since the slot came on. */
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
