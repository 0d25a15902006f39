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

  it('shows a message with its facts, and the form of its count', () => {
    expect(t('shell.profileWasCopiedFromTheDevices', { count: 1 })).toBe(
      '1 profile was copied from the devices',
    )
    expect(t('shell.profileWasCopiedFromTheDevices', { count: 3 })).toBe(
      '3 profiles were copied from the devices',
    )
  })
})
