import { worded } from '../base/tables'
import type { EffectName } from '../effects/registry'
import type { DpiProblem } from '../motion/steps'
import type { BudgetProblem } from '../onboard/macro-budget'
import type { DeviceSettings } from '../onboard/settings'
import { SETTINGS, type SettingProblem } from '../document/device-settings'

/** Why a zone cannot show an effect. */
export interface ShownProblem {
  key: 'not-shown'
  facts: { zone: string; effect: EffectName; effects: readonly EffectName[] }
}

/** What is wrong with a value, by a key and facts. */
type GateProblem = DpiProblem | BudgetProblem | SettingProblem | ShownProblem

type SettingKey = keyof DeviceSettings
const nameOf = (key: SettingKey): string => SETTINGS.find((setting) => setting.key === key)?.name ?? key

/** What a setting with bounds is a number of. */
const AMOUNTS: Partial<Record<SettingKey, string>> = {
  debounceMs: 'a debounce in ms',
  pressMs: 'a press in ms',
  sleepMinutes: 'a time in minutes',
  noticePercent: 'a charge in percent',
  lightCablePercent: 'a brightness in percent',
  lightBatteryPercent: 'a brightness in percent',
  lightsOffMinutes: 'a time in minutes',
}

const GATE_WORDS: { [Each in GateProblem as Each['key']]: (facts: Each['facts']) => string } = {
  'dpi-whole': () => 'a step is a whole number of DPI',
  'dpi-range': ({ least, most }) => `a step lies between ${least} and ${most} DPI`,
  'dpi-grid': ({ by }) => `steps go by ${by} DPI`,

  'too-much-in-one-pass': ({ does, most }) =>
    `does ${does} things in one pass, repeats and macros within it written out; a device does ${most}`,
  'too-much-at-once': ({ does, most }) =>
    `does ${does} things with no time between them; a device does ${most}`,

  'setting-none': ({ setting, model }) => `${model} has no ${nameOf(setting).toLowerCase()} to set`,
  'setting-range': ({ setting, least, most }) =>
    `${nameOf(setting)}: ${AMOUNTS[setting]} lies between ${least} and ${most}, in whole numbers`,
  'setting-choice': ({ setting, choices }) => `${nameOf(setting)}: there are ${choices.join(' and ')} mm`,
  'setting-input': ({ setting, input }) => `${nameOf(setting)}: there is no input ${input} that can be held`,

  'not-shown': ({ zone, effect, effects }) =>
    `${zone} cannot show ${effect}; it can show ${effects.join(', ')}`,
}

/** What is wrong with a value, as the rest of a sentence: the one place of a language for what gates say. */
export const gateText = ({ key, facts }: GateProblem): string => worded(GATE_WORDS, key, facts)
