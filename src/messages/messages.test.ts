import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { englishMessages, factsModules, placeholdersOf } from '../../scripts/messages'
import { t } from './page'

/** All code that can use messages. */
const source = readdirSync('src', { recursive: true, encoding: 'utf8' })
  .filter((file) => /\.(ts|vue)$/.test(file) && !/\.test\.ts$|messages?\/facts\//.test(file))
  .map((file) => readFileSync(`src/${file}`, 'utf8'))
  .join('\n')

describe('the catalogue of messages', () => {
  it('has its facts in the modules that type them', () => {
    for (const [file, text] of factsModules()) expect(readFileSync(file, 'utf8'), file).toBe(text)
  })

  it('has no message that nothing asks for', () => {
    const used = new Set([...source.matchAll(/['"]([a-z]+\.\w+)['"]/g)].map(([, key]) => key))
    expect(englishMessages().flatMap(([key]) => (used.has(key) ? [] : [key]))).toEqual([])
  })

  it('gets a slot or a fact for each placeholder of a message with markup', () => {
    const messages = new Map(englishMessages())
    const uses = [...source.matchAll(/<RichMessage\s+message="([^"]+)"(.*?)<\/RichMessage>/gs)]
    expect(uses.length).toBeGreaterThan(10)
    const missing = uses.flatMap(([, key = '', body = '']) =>
      placeholdersOf(messages.get(key) ?? '').flatMap((name) =>
        new RegExp(`#\\[?${name}\\b|[{,]\\s*${name}\\b|#\\[name\\]`).test(body) ? [] : [`${key}: ${name}`],
      ),
    )
    expect(missing).toEqual([])
  })

  it('has no text twice in an area, and no stray space in any', () => {
    const seen = new Set<string>()
    const wrong = englishMessages().flatMap(([key, message]) => {
      const place = `${key.split('.')[0] ?? ''}: ${message}`
      const twice = seen.has(place)
      seen.add(place)
      return twice || message !== message.trim() || message.includes('  ') ? [key] : []
    })
    expect(wrong).toEqual([])
  })

  it('has the names by which stories find controls', () => {
    const literal = (text: string) => text.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&')
    const shapes = englishMessages().flatMap(([, message]) =>
      message.split(' | ').flatMap((form) => {
        const parts = form.split(/\{[^}]*\}/)
        // “{a}: {b}” would be any name.
        return parts.length > 1 && parts.every((part) => part.trim().length < 2)
          ? []
          : new RegExp(`^${parts.map(literal).join('.+')}$`)
      }),
    )
    const stories = readdirSync('e2e').map((file) => readFileSync(`e2e/${file}`, 'utf8'))
    const named = stories.flatMap((story) => [
      ...story.matchAll(/(?:getByRole\('[a-z]+', \{ (?:exact: true, )?name: |getByLabel\()'([^']+)'/g),
    ])
    const names = new Set(named.map(([, name]) => String(name)))
    expect(names.size).toBeGreaterThan(250)
    // The others are names that people gave: of profiles, layers, macros, programs, devices and rules.
    const strange = [...names].filter((name) => !shapes.some((shape) => shape.test(name)))
    expect(strange.filter((name) => !/^[A-Z#]/.test(name))).toEqual(['debounce', '4 s'])
    expect(strange.length).toBeLessThan(40)
  })

  it('shows a message with its facts, and the form of its count', () => {
    expect(t('shell.profileWasCopiedFromTheDevices', { count: 1 })).toBe(
      '1 profile was copied from the devices',
    )
    expect(t('shell.profileWasCopiedFromTheDevices', { count: 3 })).toBe(
      '3 profiles were copied from the devices',
    )
  })
})
