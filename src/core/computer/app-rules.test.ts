import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { coversRule, matchesPattern, matchesRule, findRule, type AppRule, type AppRules } from './app-rules'
import { runs } from '../base/runs.test-support'

const sign = fc.constantFrom('a', 'b', '?', '*')
const pattern = fc.array(sign, { maxLength: 8 }).map((signs) => signs.join(''))
const name = fc.array(fc.constantFrom('a', 'b', 'c'), { maxLength: 10 }).map((letters) => letters.join(''))
const rule = (program: string, by: AppRule['by'] = 'pattern'): AppRule => ({ program, by, use: [] })

describe('app rules', () => {
  it('fit a pattern exactly where the regular expression of it does', () => {
    fc.assert(
      fc.property(pattern, name, (signs, text) => {
        const expression = new RegExp(`^${signs.replace(/\*/g, '.*').replace(/\?/g, '.')}$`)
        expect(matchesPattern(signs, text)).toBe(expression.test(text))
      }),
      runs(400),
    )
    expect(matchesPattern('*a'.repeat(40), 'a'.repeat(20_000))).toBe(true)
    expect(matchesPattern(`${'*a'.repeat(40)}b`, 'a'.repeat(20_000))).toBe(false)
  })

  it('that are said to cover others are met by whatever meets those', () => {
    fc.assert(
      fc.property(pattern, pattern, fc.array(name, { maxLength: 12 }), (wide, narrow, names) => {
        if (!coversRule(rule(wide), rule(narrow))) return
        for (const each of names.filter((text) => matchesPattern(narrow, text)))
          expect(matchesPattern(wide, each)).toBe(true)
      }),
      runs(600),
    )
    expect(coversRule(rule('gantry*'), rule('GantryRun.exe', 'name'))).toBe(true)
    expect(coversRule(rule('g*y*'), rule('gant?y*'))).toBe(true)
    expect(coversRule(rule('?'), rule('*'))).toBe(false)
    expect(coversRule(rule('a?'), rule('a*'))).toBe(false)
    expect(coversRule(rule('a', 'name'), rule('a*'))).toBe(false)
  })

  it('go by the name of a file wherever it is, and the first that is met counts', () => {
    for (const typed of [
      'Brinewatch',
      'brinewatch.EXE',
      'C:\\Games\\Brinewatch.exe',
      '/opt/games/brinewatch',
    ])
      expect(matchesRule(rule('Brinewatch.exe', 'name'), typed), typed).toBe(true)
    expect(matchesRule(rule('Brinewatch', 'name'), 'Brinewatch server')).toBe(false)
    const rules: AppRules = {
      format: 'unisera-rules',
      version: 1,
      rules: [
        { ...rule('brine*'), use: [{ device: 'tern-7', slot: 1 }] },
        { ...rule('*'), use: [{ device: 'tern-7', slot: 2 }] },
      ],
      otherwise: [{ device: 'tern-7', slot: 0 }],
    }
    expect(findRule(rules, 'Brinewatch.exe')).toEqual({ at: 0, use: [{ device: 'tern-7', slot: 1 }] })
    expect(findRule(rules, 'else')).toMatchObject({ at: 1 })
    expect(findRule({ ...rules, rules: [] }, 'else')).toEqual({ at: undefined, use: rules.otherwise })
  })
})
