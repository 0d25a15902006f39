import { covers, programName, type AppRules, type RuleTarget } from '../computer/app-rules'
import { modelById } from '../device/models'
import type { FactsOf, RULE_WORDS, RuleKey } from './words'

/** What there is for rules to go to. */
export interface RuleGround {
  /** Profiles of the library: their name and their model's id. */
  profiles: readonly { name: string; model: string }[]
  /** What the slots of each device hold, by its model's id: names, undefined for an empty one. */
  slots: ReadonlyMap<string, readonly (string | undefined)[]>
}

/** One thing that is wrong with app rules. */
export interface RuleFinding {
  key: RuleKey
  facts: unknown
  /** An error means that a rule does nothing or not what it says. */
  severity: 'error' | 'warning'
  /** Place of the rule, counted from 0; undefined for what is used otherwise. */
  at: number | undefined
}

/** What is wrong with app rules: those never come to, those that ask for what is not there. */
export function checkAppRules({ rules, otherwise }: AppRules, ground: RuleGround): RuleFinding[] {
  return [
    ...rules.flatMap((rule, at): RuleFinding[] => {
      const found: RuleFinding[] = targetFindings(rule.use, ground).map((each) => ({ ...each, at }))
      const say = (each: Omit<RuleFinding, 'at'>) => found.push({ ...each, at })
      if (programName(rule.program) === '') say(wrong('no-program', undefined))
      const first = rules.slice(0, at).findIndex((earlier) => covers(earlier, rule))
      if (first >= 0) say(wrong('never', { rule: first + 1 }))
      if (rule.use.length === 0) say({ ...wrong('no-change', undefined), severity: 'warning' })
      return found
    }),
    ...targetFindings(otherwise, ground).map((each) => ({ ...each, at: undefined })),
  ]
}

const wrong = <Key extends RuleKey>(
  key: Key,
  facts: FactsOf<typeof RULE_WORDS, Key>,
): Omit<RuleFinding, 'at'> => ({ key, facts, severity: 'error' })

function targetFindings(use: readonly RuleTarget[], ground: RuleGround): Omit<RuleFinding, 'at'>[] {
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
  { profiles, slots }: RuleGround,
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
