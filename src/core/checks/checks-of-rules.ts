import { covers, programName, type AppRules, type RuleTarget } from '../computer/app-rules'
import { modelById } from '../device/models'

/** What there is for rules to go to. */
export interface RuleGround {
  /** Profiles of the library: their name and their model's id. */
  profiles: readonly { name: string; model: string }[]
  /** What the slots of each device hold, by its model's id: names, undefined for an empty one. */
  slots: ReadonlyMap<string, readonly (string | undefined)[]>
}

/** One thing that is wrong with app rules. */
export interface RuleFinding {
  /** An error means that a rule does nothing or not what it says. */
  severity: 'error' | 'warning'
  message: string
  /** Place of the rule, counted from 0; undefined for what is used otherwise. */
  at: number | undefined
}

/** What is wrong with app rules: those never come to, those that ask for what is not there. */
export function checkAppRules({ rules, otherwise }: AppRules, ground: RuleGround): RuleFinding[] {
  return [
    ...rules.flatMap((rule, at): RuleFinding[] => {
      const found: RuleFinding[] = targetFindings(rule.use, ground).map((each) => ({ ...each, at }))
      if (programName(rule.program) === '')
        found.push({ severity: 'error', message: 'It names no program', at })
      const first = rules.slice(0, at).findIndex((earlier) => covers(earlier, rule))
      if (first >= 0)
        found.push({
          severity: 'error',
          message: `It is never come to: every program it is for meets rule ${first + 1} before`,
          at,
        })
      if (rule.use.length === 0) found.push({ severity: 'warning', message: 'It changes nothing', at })
      return found
    }),
    ...targetFindings(otherwise, ground).map((each) => ({ ...each, at: undefined })),
  ]
}

function targetFindings(use: readonly RuleTarget[], ground: RuleGround): Omit<RuleFinding, 'at'>[] {
  return use.flatMap((target, index): Omit<RuleFinding, 'at'>[] => {
    const model = modelById(target.device)
    if (!model) return []
    const twice = use.slice(0, index).some(({ device }) => device === target.device)
    const found = twice
      ? [{ severity: 'error' as const, message: `${model.name} is in it twice: only one slot can be active` }]
      : []
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
  const say = (severity: RuleFinding['severity'], message: string) => [{ severity, message }]
  if (profile !== undefined) {
    if (held?.includes(profile)) return []
    const elsewhere = profiles.find((each) => each.name === profile)
    if (!elsewhere) return say('error', `The library has no profile “${profile}”`)
    if (!profiles.some((each) => each.name === profile && each.model === device))
      return say('error', `“${profile}” is not for ${name}`)
    return held ? say('error', `“${profile}” is in no slot of ${name}: write it first`) : []
  }
  if (slot === undefined) return []
  if (slot >= count) return say('error', `${name} has no slot ${slot + 1}, only ${count}`)
  return held && held[slot] === undefined ? say('warning', `Slot ${slot + 1} of ${name} is empty`) : []
}
