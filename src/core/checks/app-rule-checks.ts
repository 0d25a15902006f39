import { coversRule, programName, type AppRules, type RuleTarget } from '../computer/app-rules'
import { modelById } from '../device/models'
import type { FactsOf, APP_RULE_MESSAGES, AppRuleKey } from './finding-messages'

/** Targets that exist for app rules. */
export interface RuleTargets {
  /** Profiles of the library: their names and the ids of their models. */
  profiles: readonly { name: string; model: string }[]
  /** Contents of the slots of each device, by its model id: names, or undefined for an empty slot. */
  slots: ReadonlyMap<string, readonly (string | undefined)[]>
}

/** A problem of app rules. */
export interface RuleFinding {
  key: AppRuleKey
  facts: unknown
  /** An error means that a rule has no effect or not the stated one. */
  severity: 'error' | 'warning'
  /** Index of the rule, counted from 0; undefined for the default. */
  at: number | undefined
}

/** Finds problems of app rules: rules that never apply, and missing targets. */
export function checkAppRules({ rules, otherwise }: AppRules, ground: RuleTargets): RuleFinding[] {
  return [
    ...rules.flatMap((rule, at): RuleFinding[] => {
      const found: RuleFinding[] = targetFindings(rule.use, ground).map((each) => ({ ...each, at }))
      const say = (each: Omit<RuleFinding, 'at'>) => found.push({ ...each, at })
      if (programName(rule.program) === '') say(wrong('no-program', undefined))
      const first = rules.slice(0, at).findIndex((earlier) => coversRule(earlier, rule))
      if (first >= 0) say(wrong('never', { rule: first + 1 }))
      if (rule.use.length === 0) say({ ...wrong('no-change', undefined), severity: 'warning' })
      return found
    }),
    ...targetFindings(otherwise, ground).map((each) => ({ ...each, at: undefined })),
  ]
}

const wrong = <Key extends AppRuleKey>(
  key: Key,
  facts: FactsOf<typeof APP_RULE_MESSAGES, Key>,
): Omit<RuleFinding, 'at'> => ({ key, facts, severity: 'error' })

function targetFindings(use: readonly RuleTarget[], ground: RuleTargets): Omit<RuleFinding, 'at'>[] {
  return use.flatMap((target, index): Omit<RuleFinding, 'at'>[] => {
    const model = modelById(target.device)
    if (!model) return []
    const twice = use.slice(0, index).some(({ device }) => device === target.device)
    const found = twice ? [wrong('twice', { model: model.name })] : []
    return [...found, ...placeFindings(target, model.name, model.memory.slots, ground)]
  })
}

function placeFindings(
  { device, slot, profile }: RuleTarget,
  name: string,
  count: number,
  { profiles, slots }: RuleTargets,
): Omit<RuleFinding, 'at'>[] {
  const held = slots.get(device)
  if (profile !== undefined) {
    if (held?.includes(profile)) return []
    const elsewhere = profiles.find((each) => each.name === profile)
    if (!elsewhere) return [wrong('no-profile', { profile })]
    if (!profiles.some((each) => each.name === profile && each.model === device))
      return [wrong('not-for', { profile, model: name })]
    return held ? [wrong('in-no-slot', { profile, model: name })] : []
  }
  if (slot === undefined) return []
  if (slot >= count) return [wrong('no-slot', { slot: slot + 1, slots: count, model: name })]
  return held && held[slot] === undefined
    ? [{ ...wrong('empty-slot', { slot: slot + 1, model: name }), severity: 'warning' }]
    : []
}
