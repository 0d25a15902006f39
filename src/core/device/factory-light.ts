import type { Rgb } from '../base/colour'
import { defaultOf } from '../base/parameters'
import { EFFECTS, type LightEffect } from '../effects/registry'
import type { LightEntry } from '../onboard/light-stack'

/** Shorthands for the factory light of devices. */

/** An effect on some zones, or on all by default: always active, covering everything below. */
export const factoryEffect = (effect: LightEffect, ...zones: number[]): LightEntry => ({
  effect,
  where: zones.length > 0 ? { kind: 'zones', zones } : { kind: 'all' },
  when: { kind: 'always' },
  opacity: 100,
  adds: false,
})

export const solid = (colour: Rgb, brightness: number): LightEffect => ({ kind: 'solid', colour, brightness })

export const breathing = (colour: Rgb, brightness: number): LightEffect => ({
  ...defaultOf(EFFECTS.breathing.parameters),
  kind: 'breathing',
  colour,
  brightness,
})
