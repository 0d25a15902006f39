/** Light effects: what a zone shows at a moment. The device runs this code, and so does every preview of it. */
import { DARK, type Rgb } from '../base/colour'
import type { LightEffect } from '../onboard/light-effect'

export const FRAMES_PER_SECOND = 60

/** The instant in µs at which the frame that is showing at `timeUs` began; lights change 60 times a second. */
export const frameTimeUs = (timeUs: number): number =>
  Math.floor((Math.floor((timeUs * FRAMES_PER_SECOND) / 1e6) * 1e6) / FRAMES_PER_SECOND)

/**
 * @param stack effects over each other, top first; every effect of this version is opaque, so the top one shows
 * @param timeUs time since the effect began, in µs, taken down to its frame
 * @param step colour of the step in use
 */
export function zoneColour(stack: readonly LightEffect[], timeUs: number, step: Rgb = DARK): Rgb {
  const top = stack[0]
  return top ? effectColour(top, frameTimeUs(timeUs), step) : DARK
}

/**
 * Mean drive of a stack over one period, each channel 0 to 255; the base of its cost in current.
 * Sampled at every frame of the period, so it is the mean of what is really shown.
 */
export function meanColour(stack: readonly LightEffect[], step: Rgb = DARK): Rgb {
  const top = stack[0]
  const periodMs = top && 'periodMs' in top ? top.periodMs : 0
  const frames = Math.max(1, Math.round((periodMs / 1000) * FRAMES_PER_SECOND))
  const sum = { ...DARK }
  for (let frame = 0; frame < frames; frame++) {
    const colour = zoneColour(stack, Math.ceil((frame * 1e6) / FRAMES_PER_SECOND), step)
    sum.red += colour.red
    sum.green += colour.green
    sum.blue += colour.blue
  }
  return { red: sum.red / frames, green: sum.green / frames, blue: sum.blue / frames }
}

function effectColour(effect: LightEffect, timeUs: number, step: Rgb): Rgb {
  switch (effect.kind) {
    case 'off':
      return DARK
    case 'solid':
      return scale(effect.colour, effect.brightness / 100)
    case 'breathing':
      return scale(effect.colour, (effect.brightness / 100) * breath(phase(timeUs, effect.periodMs)))
    case 'cycle':
      return scale(hue(phase(timeUs, effect.periodMs)), effect.brightness / 100)
    case 'step':
      return scale(step, effect.brightness / 100)
  }
}

/** Remainder first: whole numbers stay exact, however long the effect has been running. */
const phase = (timeUs: number, periodMs: number): number => (timeUs % (periodMs * 1000)) / (periodMs * 1000)

/** Raised cosine, squared so that it looks even to an eye that answers to the logarithm of light. */
const breath = (at: number): number => (0.5 - 0.5 * Math.cos(2 * Math.PI * at)) ** 2

/** Fully saturated hue at a turn of 0 to 1 (Smith 1978, the hexcone model with S = V = 1). */
function hue(turn: number): Rgb {
  const channel = (offset: number) => {
    const k = (offset + turn * 6) % 6
    return 255 * (1 - Math.max(0, Math.min(k, 4 - k, 1)))
  }
  return { red: channel(5), green: channel(3), blue: channel(1) }
}

const scale = (colour: Rgb, factor: number): Rgb => ({
  red: Math.round(colour.red * factor),
  green: Math.round(colour.green * factor),
  blue: Math.round(colour.blue * factor),
})
