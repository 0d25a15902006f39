import { worded } from '../base/tables'
import { capital } from '../base/names'
import type { DpiProblem } from '../motion/steps'
import type { SettingProblem } from '../document/device-settings'
import { gateText, type ShownProblem } from './gate-words'

/** What refused edits say, by their keys and facts: the one place of a language. */
export const REFUSAL_WORDS = {
  /** Words of a schema, which judges a value by itself. */
  gate: ({ problem }: { problem: string }) => capital(problem),
  'own-code': ({ macro }: { macro: string }) =>
    `${macro} is in the device’s own code: it is played and kept as it is, not edited`,
  'most-events': ({ most }: { most: number }) => `A macro has ${most} events at most`,
  delay: ({ most }: { most: number }) => `A delay is a whole number of ms from 0 to ${most}`,
  factor: () => 'A factor lies over 0 and up to 100',

  'no-sensor': ({ model }: { model: string }) => `${model} has no sensor and so no steps`,
  'no-step': ({ step }: { step: number }) => `There is no step ${step}`,
  step: ({ problem, model }: { problem: DpiProblem; model: string }) =>
    `${capital(gateText(problem))} on ${model}`,
  'split-axes': ({ model }: { model: string }) => `The sensor of ${model} counts alike across and along`,
  colour: ({ colour }: { colour: string }) => `“${colour}” is not a colour; write it as #rrggbb`,
  'most-steps': ({ model, most }: { model: string; most: number }) =>
    `${model} keeps ${most} steps; remove one to add another`,
  'so-many-steps': ({ model, most, steps }: { model: string; most: number; steps: number }) =>
    `${model} keeps 1 to ${most} steps, not ${steps}`,
  'last-step': () => 'At least one step stays',
  setting: (problem: SettingProblem) => capital(gateText(problem)),
  rate: ({ model, rate, connection }: { model: string; rate: number; connection: string }) =>
    `${model} cannot be polled at ${rate} Hz over ${connection}`,

  'later-effect': () => 'an effect of a later version is kept as it is',
  'most-effects': ({ most }: { most: number }) => `there can be ${most} effects over each other`,
  'no-light': () => 'choose at least one light it is to be on',
  'not-shown': (problem: ShownProblem) => gateText(problem),
  'nothing-shown': ({ model, starter }: { model: string; starter: string }) =>
    `${model} can show nothing of “${starter}” there`,

  'most-layers': ({ most }: { most: number }) => `A profile has ${most} layers over the base layer at most`,
  signals: ({ most }: { most: number }) => `Signals go from 1 to ${most}`,
  'signal-taken': ({ layer, signal }: { layer: string; signal: number }) =>
    `${layer} is on with signal ${signal} already`,
  'base-layer': () => 'The base layer always applies; it cannot be changed like this',
  'layer-name': () => 'A layer needs a name',
  'same-layer': ({ layer }: { layer: string }) => `There is a layer “${layer}” already`,
  'no-layer': ({ layer }: { layer: number }) => `There is no layer ${layer}`,

  'no-input': ({ model, input }: { model: string; input: string }) => `${model} has no input “${input}”`,
  'only-left-click': ({ input }: { input: string }) =>
    `${input} is the only left click. Put Left click on another button first, then this one is free.`,
  'nothing-to-name': () => 'There is nothing here to name: the layer below decides',
  'no-mirror': ({ model }: { model: string }) => `${model} has no inputs that are each other’s mirror`,
  'no-left-click': () => 'No left click would be left: take the one it puts elsewhere as well',
}

export type RefusalKey = keyof typeof REFUSAL_WORDS
type FactsOf<Key extends RefusalKey> =
  Parameters<(typeof REFUSAL_WORDS)[Key]> extends [infer Facts] ? [facts: Facts] : []

/** An edit that cannot be made: why, by key and facts. Its message is that in words. */
export class EditRefused<Key extends RefusalKey = RefusalKey> extends Error {
  override name = 'EditRefused'
  readonly facts: FactsOf<Key>[0]

  constructor(
    readonly key: Key,
    ...[facts]: FactsOf<Key>
  ) {
    super(worded(REFUSAL_WORDS, key, facts))
    this.facts = facts
  }
}
