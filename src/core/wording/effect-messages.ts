import type { ConditionName, CONDITIONS } from '../effects/conditions'
import type { EffectName, EFFECTS } from '../effects/registry'
import { message, type Message, type MessageFact } from '../message/message'

/** The names of effects, conditions and their parameters; complete by type. */

export const EFFECT_MESSAGES: Record<EffectName, { name: Message; about: Message }> = {
  off: { name: message('effects.off'), about: message('effects.offAbout') },
  solid: { name: message('effects.solid'), about: message('effects.solidAbout') },
  blink: { name: message('effects.blink'), about: message('effects.blinkAbout') },
  breathing: { name: message('effects.breathing'), about: message('effects.breathingAbout') },
  cycle: { name: message('effects.cycle'), about: message('effects.cycleAbout') },
  gradient: { name: message('effects.gradient'), about: message('effects.gradientAbout') },
  wave: { name: message('effects.wave'), about: message('effects.waveAbout') },
  sequence: { name: message('effects.sequence'), about: message('effects.sequenceAbout') },
  twinkle: { name: message('effects.twinkle'), about: message('effects.twinkleAbout') },
  ripple: { name: message('effects.ripple'), about: message('effects.rippleAbout') },
  glow: { name: message('effects.glow'), about: message('effects.glowAbout') },
  step: { name: message('effects.step'), about: message('effects.stepAbout') },
  layers: { name: message('effects.layers'), about: message('effects.layersAbout') },
  battery: { name: message('effects.battery'), about: message('effects.batteryAbout') },
  countdown: { name: message('effects.countdown'), about: message('effects.countdownAbout') },
  sweep: { name: message('effects.sweep'), about: message('effects.sweepAbout') },
}

export const CONDITION_MESSAGES: Record<ConditionName | 'always', Message> = {
  always: message('effects.whenAlways'),
  layer: message('effects.whenLayer'),
  press: message('effects.whenPress'),
  macro: message('effects.whenMacro'),
  signal: message('effects.whenSignal'),
  battery: message('effects.whenBattery'),
  charging: message('effects.whenCharging'),
  connection: message('effects.whenConnection'),
  arrival: message('effects.whenArrival'),
  idle: message('effects.whenIdle'),
}

const PARAMETER_MESSAGES: Record<LightParameter, Message> = {
  colour: message('effects.settingColour'),
  colours: message('effects.settingColours'),
  brightness: message('effects.settingBrightness'),
  periodMs: message('effects.settingPeriodMs'),
  shift: message('effects.settingShift'),
  lag: message('effects.settingLag'),
  lagBy: message('effects.settingLagBy'),
  litPart: message('effects.settingLitPart'),
  direction: message('effects.settingDirection'),
  spreadMm: message('effects.settingSpreadMm'),
  moves: message('effects.settingMoves'),
  pointX: message('effects.settingPointX'),
  pointY: message('effects.settingPointY'),
  change: message('effects.settingChange'),
  order: message('effects.settingOrder'),
  seed: message('effects.settingSeed'),
  density: message('effects.settingDensity'),
  widthMm: message('effects.settingWidthMm'),
  ends: message('effects.settingEnds'),
  decayMs: message('effects.settingDecayMs'),
  reachMm: message('effects.settingReachMm'),
  delayMs: message('effects.settingDelayMs'),
  rest: message('effects.settingRest'),
  full: message('effects.settingFull'),
  low: message('effects.settingLow'),
  lowPercent: message('effects.settingLowPercent'),
  layer: message('effects.settingLayer'),
  forMs: message('effects.settingForMs'),
  inputs: message('effects.settingInputs'),
  macro: message('effects.settingMacro'),
  underPercent: message('effects.settingUnderPercent'),
  connection: message('effects.settingConnection'),
  seconds: message('effects.settingSeconds'),
}

/** All parameters of effects and conditions. */
type LightParameter =
  | { [Name in EffectName]: keyof (typeof EFFECTS)[Name]['parameters'] }[EffectName]
  | { [Name in ConditionName]: keyof (typeof CONDITIONS)[Name]['parameters'] }[ConditionName]

const CHOICE_MESSAGES: Record<LightChoice, Message> = {
  light: message('effects.choiceLight'),
  zone: message('effects.choiceZone'),
  back: message('effects.choiceBack'),
  again: message('effects.choiceAgain'),
  straight: message('effects.choiceStraight'),
  out: message('effects.choiceOut'),
  in: message('effects.choiceIn'),
  soft: message('effects.choiceSoft'),
  hard: message('effects.choiceHard'),
  'in turn': message('effects.choiceInTurn'),
  'by chance': message('effects.choiceByChance'),
}

type ChoicesIn<Ps> = {
  [Name in keyof Ps]: Ps[Name] extends { kind: 'choice'; of: readonly (infer Choice extends string)[] }
    ? Choice
    : never
}[keyof Ps]

/** All choices of parameters of effects and conditions. */
type LightChoice =
  | { [Name in EffectName]: ChoicesIn<(typeof EFFECTS)[Name]['parameters']> }[EffectName]
  | { [Name in ConditionName]: ChoicesIn<(typeof CONDITIONS)[Name]['parameters']> }[ConditionName]

/** The text of a choice of a parameter of an effect or condition. */
export const choiceLabel = (choice: string): MessageFact => {
  const messages: Readonly<Record<string, Message>> = CHOICE_MESSAGES
  return messages[choice] ?? choice
}

/** The label of a parameter of an effect or condition. */
export const parameterLabel = (name: string): MessageFact => {
  const messages: Readonly<Record<string, Message>> = PARAMETER_MESSAGES
  return messages[name] ?? name
}
