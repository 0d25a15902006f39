import { Refusal } from '../base/errors'
import { formatMessage } from '../base/tables'
import type { DpiProblem } from '../motion/steps'
import type { SettingProblem } from '../document/device-settings'
import { message, type MessageFact } from '../message/message'
import { problemMessage, type ShownProblem } from './problem-messages'

/** The messages of refused edits, by their keys and facts. */
export const REFUSAL_MESSAGES = {
  /** From a schema that validates a single value. */
  invalid: ({ problem }: { problem: MessageFact }) => problem,
  'own-code': (facts: { macro: string }) => message('edits.deviceCode', facts),
  'most-events': (facts: { max: number }) => message('edits.maxEvents', facts),
  delay: (facts: { max: number }) => message('edits.delay', facts),
  factor: () => message('edits.factor'),

  'no-sensor': (facts: { model: string }) => message('edits.noSensor', facts),
  'no-step': (facts: { step: number }) => message('edits.noStep', facts),
  step: ({ problem }: { problem: DpiProblem; model: string }) => problemMessage(problem),
  'split-axes': (facts: { model: string }) => message('edits.splitAxes', facts),
  colour: (facts: { colour: string }) => message('edits.colour', facts),
  'most-steps': (facts: { model: string; max: number }) => message('edits.maxSteps', facts),
  'so-many-steps': (facts: { model: string; max: number; steps: number }) =>
    message('edits.tooManySteps', facts),
  'last-step': () => message('edits.lastStep'),
  setting: (problem: SettingProblem) => problemMessage(problem),
  rate: (facts: { model: string; rate: number; connection: MessageFact }) => message('edits.rate', facts),

  'later-effect': () => message('edits.unknownEffect'),
  'most-effects': (facts: { max: number }) => message('edits.maxEffects', facts),
  'no-light': () => message('edits.noLight'),
  'not-shown': (problem: ShownProblem) => problemMessage(problem),
  'nothing-shown': (facts: { model: string; starter: MessageFact }) =>
    message('edits.starterNotShown', facts),

  'most-layers': (facts: { max: number }) => message('edits.maxLayers', facts),
  signals: (facts: { max: number }) => message('edits.signals', facts),
  'signal-taken': (facts: { layer: string; signal: number }) => message('edits.signalTaken', facts),
  'base-layer': () => message('edits.baseLayer'),
  'layer-name': () => message('edits.layerName'),
  'same-layer': (facts: { layer: string }) => message('edits.sameLayer', facts),
  'no-layer': (facts: { layer: number }) => message('edits.noLayer', facts),

  'no-input': (facts: { model: string; input: string }) => message('edits.noInput', facts),
  'only-left-click': (facts: { input: MessageFact }) => message('edits.onlyLeftClick', facts),
  'nothing-to-name': () => message('edits.nothingToName'),
  'no-mirror': (facts: { model: string }) => message('edits.noMirror', facts),
  'no-left-click': () => message('edits.noLeftClick'),
}

export type RefusalKey = keyof typeof REFUSAL_MESSAGES
type FactsOf<Key extends RefusalKey> =
  Parameters<(typeof REFUSAL_MESSAGES)[Key]> extends [infer Facts] ? [facts: Facts] : []

/** An edit that is not possible, with its reason as a key and facts. */
export class EditRefused<Key extends RefusalKey = RefusalKey> extends Refusal {
  override name = 'EditRefused'
  readonly facts: FactsOf<Key>[0]

  constructor(
    readonly key: Key,
    ...[facts]: FactsOf<Key>
  ) {
    super([formatMessage(REFUSAL_MESSAGES, key, facts)])
    this.facts = facts
  }

  /** The reason, for people. */
  get reason(): MessageFact {
    return this.reasons[0] ?? ''
  }
}
