import { DARK, meanColour, zoneColour, type LightEffect, type Rgb } from '../core/light/effects'

/** How long the indicator zone shows a step after it changed. */
const STEP_SHOWN_US = 2_000_000
/** A slot is told by as many flashes as its number: this long lit, this long dark. */
const FLASH_US = 160_000
const FLASH_COLOUR: Rgb = { red: 0xff, green: 0xff, blue: 0xff }

type Notice = { kind: 'step'; colour: Rgb; fromUs: number } | { kind: 'slot'; count: number; fromUs: number }

/**
 * The device's lights. A frame is a pure function of time, worked out when somebody looks: nothing runs while
 * nobody does.
 */
export class Lights {
  private stacks: LightEffect[][] = []
  private startUs = 0
  private notice: Notice | undefined

  constructor(private readonly indicator: number) {}

  /** Effects of each zone, from the beginning. */
  load(stacks: LightEffect[][], nowUs: number): void {
    this.stacks = stacks
    this.startUs = nowUs
  }

  showStep(colour: Rgb, nowUs: number): void {
    this.notice = { kind: 'step', colour, fromUs: nowUs }
  }

  /** @param slot counted from 1 */
  showSlot(slot: number, nowUs: number): void {
    this.notice = { kind: 'slot', count: slot, fromUs: nowUs }
  }

  /** Drive of each zone at a moment. */
  frame(nowUs: number): Rgb[] {
    const noticed = this.noticeColour(nowUs)
    return this.stacks.map((stack, zone) =>
      zone === this.indicator && noticed ? noticed : zoneColour(stack, nowUs - this.startUs),
    )
  }

  /** Mean drive of each zone over a period of its effect. */
  means(): Rgb[] {
    return this.stacks.map(meanColour)
  }

  private noticeColour(nowUs: number): Rgb | undefined {
    if (!this.notice) return undefined
    const sinceUs = nowUs - this.notice.fromUs
    if (this.notice.kind === 'step') return sinceUs < STEP_SHOWN_US ? this.notice.colour : undefined
    if (sinceUs >= this.notice.count * 2 * FLASH_US) return undefined
    return Math.floor(sinceUs / FLASH_US) % 2 === 0 ? FLASH_COLOUR : DARK
  }
}
