import { englishText } from '../../messages/plain'
import { expect, it } from 'vitest'
import demo from '../../../demo/rules.json'
import type { AppRule, RuleTarget } from '../computer/app-rules'
import { formatAppRules, parseAppRules, readAppRules } from '../files/app-rules-file'
import { checkAppRules, type RuleTargets } from './app-rule-checks'
import { ruleMessage } from './finding-messages'

const GROUND: RuleTargets = {
  profiles: [
    { name: 'Brinewatch', model: 'tern-7' },
    { name: 'Score engraving', model: 'tern-7' },
    { name: 'Engraving desk', model: 'dunlin-84' },
    { name: 'Hollow Tithe', model: 'tern-7' },
  ],
  slots: new Map([
    ['tern-7', ['Brinewatch', 'Gantry Run', 'Score engraving', undefined, undefined]],
    ['dunlin-84', ['Brinewatch bridge', 'Engraving desk', undefined]],
  ]),
}
const rule = (program: string, ...use: RuleTarget[]): AppRule => ({
  program,
  by: /[*?]/.test(program) ? 'pattern' : 'name',
  use,
})
const said = (...rules: AppRule[]) =>
  checkAppRules({ ...parseAppRules(demo), rules }, GROUND).map(
    (finding) => `${finding.severity} ${finding.at}: ${englishText(ruleMessage(finding))}`,
  )
const SLOT: RuleTarget = { device: 'tern-7', slot: 0 }

it('app rules that are never come to, or ask for what is not there, are told', () => {
  expect(checkAppRules(parseAppRules(demo), GROUND)).toEqual([])
  expect(said(rule('brine*', SLOT), rule('gantry', SLOT), rule('Brinewatch.exe', SLOT))).toEqual([
    'error 2: This rule never applies: rule 1 already matches every program it covers',
  ])
  expect(said(rule('a'))).toEqual(['warning 0: The rule has no effect'])
  expect(said(rule('a', { device: 'knot-5', slot: 3 }))).toEqual(['error 0: Knot 5 has no slot 4; it has 1'])
  expect(said(rule('a', { device: 'tern-7', slot: 4 }))).toEqual(['warning 0: Slot 5 of Tern 7 is empty'])
  expect(said(rule('a', SLOT, { device: 'tern-7', slot: 1 }))).toEqual([
    'error 0: The rule has Tern 7 twice, but only one slot can be active',
  ])
  expect(said(rule('a', { device: 'tern-7', profile: 'Nobody' }))).toEqual([
    'error 0: The library has no profile “Nobody”',
  ])
  expect(said(rule('a', { device: 'dunlin-84', profile: 'Score engraving' }))).toEqual([
    'error 0: “Score engraving” is not for Dunlin 84',
  ])
  expect(said(rule('a', { device: 'tern-7', profile: 'Hollow Tithe' }))).toEqual([
    'error 0: “Hollow Tithe” is not in a slot of Tern 7. Write it first.',
  ])
})

it('app rules are the same after a round trip as a file; a file that is none is refused by its places', () => {
  expect(readAppRules(formatAppRules(parseAppRules(demo)))).toEqual(demo)
  const wrong = {
    ...demo,
    rules: [{ program: '', by: 'guess', use: [{ device: 'tern-7' }, { device: 'x', slot: 0 }] }],
  }
  expect(() => parseAppRules(wrong)).toThrow(/rules\[0\]\.program: Missing or empty/)
  expect(() => parseAppRules(wrong)).toThrow(/rules\[0\]\.by: Must be one of name, pattern/)
  expect(() => parseAppRules(wrong)).toThrow(/rules\[0\]\.use\[0\]: Needs a slot or a profile/)
  expect(() => parseAppRules(wrong)).toThrow(/rules\[0\]\.use\[1\]\.device: Must be one of/)
  expect(() => readAppRules(' '.repeat(600_000))).toThrow('too large for app rules')
})
