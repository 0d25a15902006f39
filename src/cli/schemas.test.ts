import { readdirSync, readFileSync } from 'node:fs'
import Ajv from 'ajv/dist/2020'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt, valueOf } from '../core/base/items'
import { jsonSchemas, schemaText } from '../../scripts/json-schemas'
import { DEVICE_MODELS } from '../core/device/models'
import { parseAppRules } from '../core/files/app-rules-file'
import { anyEvents, macro as macroOf } from '../core/document/any-macro.test-support'
import { anyProfile } from '../core/document/any-profile.test-support'
import { parseMacro } from '../core/document/macro'
import { parseProfile } from '../core/document/schema'
import { runs } from '../core/base/runs.test-support'

const schemas = jsonSchemas()
const ajv = new Ajv({ strict: true, allowUnionTypes: true })
const validators = Object.fromEntries(
  Object.entries(schemas).map(([name, schema]) => [name, ajv.compile(schema)] as const),
)
const passes = (name: string, value: unknown): boolean => {
  const ok = valueOf(validators, `${name}.schema.json`)(JSON.parse(JSON.stringify(value)))
  return Boolean(ok)
}
const accepts = (parse: (value: unknown) => unknown, value: unknown): boolean => {
  try {
    parse(value)
    return true
  } catch {
    return false
  }
}

describe('the JSON Schemas of docs/schemas', () => {
  it('are made from the gates, and are those that are there', () => {
    expect(readdirSync('docs/schemas').sort()).toEqual(Object.keys(schemas).sort())
    for (const [name, schema] of Object.entries(schemas))
      expect(readFileSync(`docs/schemas/${name}`, 'utf8'), `${name}: npm run schemas`).toBe(
        schemaText(schema),
      )
  })

  it('hold for every document of the demo, judged by another validator', () => {
    for (const folder of ['demo/profiles', 'demo/shelf'])
      for (const file of readdirSync(folder))
        expect(passes('profile', JSON.parse(readFileSync(`${folder}/${file}`, 'utf8'))), file).toBe(true)
    expect(passes('macros', JSON.parse(readFileSync('demo/macros.json', 'utf8')))).toBe(true)
    expect(passes('rules', JSON.parse(readFileSync('demo/rules.json', 'utf8')))).toBe(true)
  })

  it('hold for whatever passes the gate', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DEVICE_MODELS).chain((model) => anyProfile(model)),
        (profile) => {
          expect(passes('profile', profile)).toBe(true)
        },
      ),
      runs(60),
    )
    fc.assert(
      fc.property(anyEvents, (events) => {
        expect(passes('macro', macroOf(events))).toBe(true)
      }),
      runs(60),
    )
  })

  it('refuse nothing of a spoilt document that the gate takes, and most of what it refuses', () => {
    const profile: unknown = JSON.parse(readFileSync('demo/profiles/brinewatch.json', 'utf8'))
    const [macro] = (JSON.parse(readFileSync('demo/macros.json', 'utf8')) as { macros: unknown[] }).macros
    const rules: unknown = JSON.parse(readFileSync('demo/rules.json', 'utf8'))
    for (const [name, document, parse] of [
      ['profile', profile, parseProfile],
      ['macro', macro, parseMacro],
      ['rules', rules, parseAppRules],
    ] as const) {
      let [refused, refusedByBoth] = [0, 0]
      fc.assert(
        fc.property(
          fc.nat(),
          fc.constantFrom(null, -1, 1e9, 'no such', '', [], {}, true, undefined),
          (at, value) => {
            const spoilt = spoiltAt(document, at, value)
            if (accepts(parse, spoilt)) expect(passes(name, spoilt), JSON.stringify(spoilt)).toBe(true)
            else {
              refused++
              if (!passes(name, spoilt)) refusedByBoth++
            }
          },
        ),
        runs(400),
      )
      expect(refusedByBoth / refused).toBeGreaterThan(0.7)
    }
  })
})

/** A copy with one changed or missing value. */
function spoiltAt(document: unknown, at: number, value: unknown): unknown {
  const copy: unknown = JSON.parse(JSON.stringify(document))
  const places: [Record<string, unknown>, string][] = []
  const collect = (each: unknown): void => {
    if (typeof each !== 'object' || each === null) return
    for (const key of Object.keys(each)) {
      places.push([each as Record<string, unknown>, key])
      collect((each as Record<string, unknown>)[key])
    }
  }
  collect(copy)
  const [owner, key] = itemAt(places, at % places.length)
  if (value === undefined) Reflect.deleteProperty(owner, key)
  else owner[key] = value
  return JSON.parse(JSON.stringify(copy))
}
