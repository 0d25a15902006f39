import type { EffectName } from '../effects/registry'
import { factList, message, type Message, type MessageFact } from '../message/message'
import type { DpiProblem } from '../motion/steps'
import type { BudgetProblem } from '../onboard/macro-budget'
import { SETTING_NAMES, type SettingProblem } from '../document/device-settings'
import { EFFECT_MESSAGES } from './effect-messages'

/** Why a zone cannot show an effect. */
export interface ShownProblem {
  key: 'not-shown'
  facts: { zone: MessageFact; effect: EffectName; effects: readonly EffectName[] }
}

/** An invalid value, as a key and facts. */
type ValueProblem = DpiProblem | SettingProblem | ShownProblem

/** The message for an invalid value. */
export function problemMessage({ key, facts }: ValueProblem): Message {
  switch (key) {
    case 'dpi-whole':
      return message('edits.dpiInteger')
    case 'dpi-range':
      return message('edits.dpiRange', facts)
    case 'dpi-grid':
      return message('edits.dpiStep', facts)
    case 'setting-none':
      return message('edits.settingNone', { setting: SETTING_NAMES[facts.setting], model: facts.model })
    case 'setting-range':
      return message('edits.settingRange', { ...facts, setting: SETTING_NAMES[facts.setting] })
    case 'setting-choice':
      return message('edits.settingChoice', {
        setting: SETTING_NAMES[facts.setting],
        choices: factList(facts.choices, 'or'),
      })
    case 'setting-input':
      return message('edits.settingInput', {
        setting: SETTING_NAMES[facts.setting],
        input: String(facts.input),
      })
    case 'not-shown':
      return message('edits.notShown', {
        zone: facts.zone,
        effect: EFFECT_MESSAGES[facts.effect].name,
        effects: factList(facts.effects.map((effect) => EFFECT_MESSAGES[effect].name)),
      })
  }
}

/** The message for a macro that exceeds a limit of devices. */
export const budgetMessage = (macro: string, { key, facts: { does, max } }: BudgetProblem): Message =>
  key === 'too-much-in-one-pass'
    ? message('edits.tooMuchInOnePass', { macro, steps: does, max })
    : message('edits.tooMuchAtOnce', { macro, steps: does, max })
