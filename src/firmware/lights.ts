import type { Electrical, LightZone } from '../core/device/model'
import { lightsMa } from '../core/light/current'
import type { LightChange } from '../core/onboard/action-types'
import { DARK, type Rgb } from '../core/base/colour'
import { meanColour, zoneColour } from '../core/light/effects'
import type { LightEffect } from '../core/onboard/light-effect'

/** How long the indicator zone shows a step after it changed. */
const STEP_SHOWN_US = 2_000_000
/** A slot is told by as many flashes as its number: this long lit, this long dark. */
const FLASH_US = 160_000
const FLASH_COLOUR: Rgb = { red: 0xff, green: 0xff, blue: 0xff }
/** A signal takes all zones for as many flashes, each this long lit and this long dark. */
const SIGNAL_FLASHES = 8
const SIGNAL_FLASH_US = 250_000
/** Brighter and dimmer go by tenths of what the profile sets. */
const LEVEL_STEP = 0.1

type Notice =
  | { kind: 'step'; colour: Rgb; fromUs: number }
  | { kind: 'slot'; count: number; fromUs: number }
  | { kind: 'signal'; colour: Rgb; fromUs: number }

/** What `next light` goes through after the profile's own effects, in the colour of the step in use. */
const FURTHER: ((colour: Rgb) => LightEffect)[] = [
  (colour) => ({ kind: 'solid', colour, brightness: 70 }),
  (colour) => ({ kind: 'breathing', colour, brightness: 70, periodMs: 4000 }),
  () => ({ kind: 'cycle', brightness: 70, periodMs: 8000 }),
]

/**
 * The device's lights. A frame is a pure function of time, worked out when somebody looks: nothing runs while
 * nobody does. What is changed by a press lasts until another slot comes on.
 */
export class Lights {
  private stacks: LightEffect[][] = []
  private startUs = 0
  private notice: Notice | undefined
  private step: Rgb = DARK
  private level = 1
  private dark = false
  /** Dark to save the battery, whatever else is set. */
  asleep = false
  /** 0 for the profile's own effects, otherwise one of {@link FURTHER}, counted from 1. */
  private chosen = 0

  constructor(
    private readonly zones: readonly LightZone[],
    private readonly indicator: number,
  ) {}

  /** Effects of each zone, from the beginning. */
  load(stacks: LightEffect[][], nowUs: number): void {
    Object.assign(this, { stacks, startUs: nowUs, level: 1, dark: false, chosen: 0 })
  }

  /** The colour of the step in use; zones that show it follow at once. */
  setStep(colour: Rgb): void {
    this.step = colour
  }

  showStep(nowUs: number): void {
    this.notice = { kind: 'step', colour: this.step, fromUs: nowUs }
  }

  /** @param slot counted from 1 */
  showSlot(slot: number, nowUs: number): void {
    this.notice = { kind: 'slot', count: slot, fromUs: nowUs }
  }

  showSignal(colour: Rgb, nowUs: number): void {
    this.notice = { kind: 'signal', colour, fromUs: nowUs }
  }

  change(change: LightChange, nowUs: number): void {
    if (change === 'off') this.dark = !this.dark
    else this.dark = false
    if (change === 'next') {
      this.chosen = (this.chosen + 1) % (FURTHER.length + 1)
      this.startUs = nowUs
    }
    const by = change === 'brighter' ? LEVEL_STEP : change === 'dimmer' ? -LEVEL_STEP : 0
    this.level = Math.round(10 * Math.max(LEVEL_STEP, Math.min(1, this.level + by))) / 10
  }

  /** Drive of each zone at a moment. */
  frame(nowUs: number): Rgb[] {
    const noticed = this.noticeColour(nowUs)
    return this.stacks.map((_, zone) =>
      noticed && (zone === this.indicator || this.notice?.kind === 'signal')
        ? noticed
        : this.scaled(zoneColour(this.stackOf(zone), nowUs - this.startUs, this.step)),
    )
  }

  /** Mean drive of each zone over a period of its effect. */
  means(): Rgb[] {
    return this.stacks.map((_, zone) => this.scaled(meanColour(this.stackOf(zone), this.step)))
  }

  /** Current of all lights in mA, mean over their effects. */
  meanMa(electrical: Electrical): number {
    return lightsMa(this.means(), this.zones, electrical)
  }

  private stackOf(zone: number): LightEffect[] {
    const further = FURTHER[this.chosen - 1]?.(this.step)
    const { effects } = this.zones[zone]
    return further && (!effects || effects.includes(further.kind)) ? [further] : this.stacks[zone]
  }

  private scaled({ red, green, blue }: Rgb): Rgb {
    if (this.dark || this.asleep) return DARK
    if (this.level === 1) return { red, green, blue }
    const by = (channel: number) => Math.round(channel * this.level)
    return { red: by(red), green: by(green), blue: by(blue) }
  }

  private noticeColour(nowUs: number): Rgb | undefined {
    if (!this.notice) return undefined
    const sinceUs = nowUs - this.notice.fromUs
    if (this.notice.kind === 'step') return sinceUs < STEP_SHOWN_US ? this.notice.colour : undefined
    const { flashes, flashUs, colour } =
      this.notice.kind === 'slot'
        ? { flashes: this.notice.count, flashUs: FLASH_US, colour: FLASH_COLOUR }
        : { flashes: SIGNAL_FLASHES, flashUs: SIGNAL_FLASH_US, colour: this.notice.colour }
    if (sinceUs >= flashes * 2 * flashUs) return undefined
    return Math.floor(sinceUs / flashUs) % 2 === 0 ? colour : DARK
  }
}
