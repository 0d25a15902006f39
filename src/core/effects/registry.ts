import { definitionIn, keysOf } from '../base/tables'
import type { DefaultedParameters, ValuesOf } from '../base/parameters'
import { battery } from './battery'
import { blink } from './blink'
import { breathing } from './breathing'
import { countdown } from './countdown'
import { cycle } from './cycle'
import type { AnyEffectKind, Paint, Scene, Timing } from './effect'
import { glow } from './glow'
import { gradient } from './gradient'
import { layers } from './layer-map'
import { off } from './off'
import { ripple } from './ripple'
import { sequence } from './sequence'
import { solid } from './solid'
import { step } from './step-colour'
import { sweep } from './sweep'
import { twinkle } from './twinkle'
import { wave } from './wave'

/** All effects, in the order they are offered. A new one needs its file, a line here, its words and its test. */
export const EFFECTS = {
  off,
  solid,
  blink,
  breathing,
  cycle,
  gradient,
  wave,
  sequence,
  twinkle,
  ripple,
  glow,
  step,
  layers,
  battery,
  countdown,
  sweep,
} as const

export type EffectName = keyof typeof EFFECTS

/** An effect with its settings, as a device stores it. */
export type LightEffect = {
  [Name in EffectName]: { kind: Name } & ValuesOf<(typeof EFFECTS)[Name]['parameters']>
}[EffectName]

export const EFFECT_NAMES = keysOf(EFFECTS)

export const parametersOf = (name: EffectName): DefaultedParameters => EFFECTS[name].parameters

/** The definition of an effect by its name. */
export const effectKind = (name: EffectName): AnyEffectKind => definitionIn(EFFECTS, name)

/** How an effect changes while nothing else happens to the device. */
export const timingOf = (effect: { kind: EffectName }): Timing => effectKind(effect.kind).timing(effect)

export const effectByCode = (code: number): EffectName | undefined =>
  EFFECT_NAMES.find((name) => EFFECTS[name].code === code)

/** Names of parameters without an effect in the current settings; options and numbers are the same in documents. */
export function unusedParameters(name: EffectName, values: object): readonly string[] {
  return effectKind(name).idle?.(values) ?? []
}

/** The light of an effect on its lights. */
export function paintEffect(effect: LightEffect, scene: Scene, paint: Paint): void {
  effectKind(effect.kind).paint(effect, scene, paint)
}
