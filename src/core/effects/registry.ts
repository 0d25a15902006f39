import type { Parameters, ValuesOf } from '../base/parameters'
import type { FirmwareVersion } from '../base/versions'
import { battery } from './battery'
import { blink } from './blink'
import { breathing } from './breathing'
import { countdown } from './countdown'
import { cycle } from './cycle'
import type { EffectKind, Paint, Scene } from './effect'
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

export const EFFECT_NAMES = Object.keys(EFFECTS) as EffectName[]

export const parametersOf = (name: EffectName): Parameters => EFFECTS[name].parameters

/** The first firmware that shows an effect, where not every one does. */
export const sinceOf = (name: EffectName): FirmwareVersion | undefined =>
  (EFFECTS[name] as unknown as EffectKind).since

export const effectByCode = (code: number): EffectName | undefined =>
  EFFECT_NAMES.find((name) => EFFECTS[name].code === code)

/** Names of what makes no difference to an effect as it is set; choices and amounts are the same in a document. */
export function idleOf(name: EffectName, values: object): readonly string[] {
  const kind = EFFECTS[name] as unknown as EffectKind
  return kind.idle?.(values as ValuesOf<Parameters>) ?? []
}

/** What an effect shows of the chosen lights. */
export function paintEffect(effect: LightEffect, scene: Scene, paint: Paint): void {
  // Name and values belong together by their type; the compiler cannot follow that through the table.
  const kind = EFFECTS[effect.kind] as unknown as EffectKind
  kind.paint(effect, scene, paint)
}
