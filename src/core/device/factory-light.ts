import type { Rgb } from '../base/colour'
import { otherwiseOf } from '../base/parameters'
import { EFFECTS, type LightEffect } from '../effects/registry'
import type { LightEntry } from '../onboard/light-stack'

/** Shorthands for the light that devices have from the factory. */

/** An effect on some zones, or on all where none is said: always, and over all that is below. */
export const shown = (effect: LightEffect, ...zones: number[]): LightEntry => ({
  effect,
  where: zones.length > 0 ? { kind: 'zones', zones } : { kind: 'all' },
  when: { kind: 'always' },
  opacity: 100,
  adds: false,
})

export const solid = (colour: Rgb, brightness: number): LightEffect => ({ kind: 'solid', colour, brightness })

export const breathing = (colour: Rgb, brightness: number): LightEffect => ({
  ...otherwiseOf(EFFECTS.breathing.parameters),
  kind: 'breathing',
  colour,
  brightness,
})
