import { definitionIn, keysOf } from '../base/tables'
import type { StandingParameters, ValuesOf } from '../base/parameters'
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

/** Every effect there is, in the order it is offered. A new one is its file, a line here, its words and its test. */
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

/** An effect with what it is set to, as a device keeps it. */
export type LightEffect = {
  [Name in EffectName]: { kind: Name } & ValuesOf<(typeof EFFECTS)[Name]['parameters']>
}[EffectName]

export const EFFECT_NAMES = keysOf(EFFECTS)

export const parametersOf = (name: EffectName): StandingParameters => EFFECTS[name].parameters

/** An effect's definition by its name. */
export const effectKind = (name: EffectName): AnyEffectKind => definitionIn(EFFECTS, name)

/** What of an effect changes while nothing else of the device does. */
export const timingOf = (effect: { kind: EffectName }): Timing => effectKind(effect.kind).timing(effect)

export const effectByCode = (code: number): EffectName | undefined =>
  EFFECT_NAMES.find((name) => EFFECTS[name].code === code)

/** Names of what makes no difference to an effect as it is set; choices and amounts are the same in a document. */
export function idleOf(name: EffectName, values: object): readonly string[] {
  return effectKind(name).idle?.(values) ?? []
}

/** What an effect shows of the chosen lights. */
export function paintEffect(effect: LightEffect, scene: Scene, paint: Paint): void {
  effectKind(effect.kind).paint(effect, scene, paint)
}
