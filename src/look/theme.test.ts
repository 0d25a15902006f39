import { modeLrgb, modeRgb, useMode as withMode, wcagContrast } from 'culori/fn'
import { describe, expect, it } from 'vitest'
import { themes } from './theme'

/** Contrast by WCAG 2.2: 4.5 for text (1.4.3), 3 for other visible parts (1.4.11). */
withMode(modeRgb)
withMode(modeLrgb)

const READ = 4.5
const SEEN = 3

describe.each(Object.entries(themes))('the %s theme', (_, { colors }) => {
  const all = colors as Record<string, string>
  const contrast = (a: string, b: string): number => {
    if (!all[a] || !all[b]) throw new Error(`the theme lacks ${all[a] ? b : a}`)
    return wcagContrast(all[a], all[b])
  }
  const PAPERS = ['paper', 'paper-low', 'paper-high']

  it('can be read on each of its papers', () => {
    for (const ink of ['ink', 'ink-soft', 'pending', 'binding', 'macro', 'motion', 'light', 'system'])
      for (const paper of PAPERS)
        expect(contrast(ink, paper), `${ink} on ${paper}`).toBeGreaterThanOrEqual(READ)
    expect(contrast('rail-ink', 'rail')).toBeGreaterThanOrEqual(READ)
    expect(contrast('paper', 'ink')).toBeGreaterThanOrEqual(READ)
  })

  it('can be read on the wash of each family', () => {
    for (const family of ['binding', 'macro', 'motion', 'light', 'system', 'pending'])
      for (const ink of ['ink', family])
        expect(contrast(ink, `${family}-wash`), `${ink} on ${family}-wash`).toBeGreaterThanOrEqual(READ)
  })

  it('has edges of fields and buttons, bars and the ring of the focus that can be seen', () => {
    for (const paper of PAPERS)
      for (const edge of [
        'line-strong',
        'focus',
        'bar-binding',
        'bar-macro',
        'bar-motion',
        'bar-light',
        'bar-system',
      ])
        expect(contrast(edge, paper), `${edge} on ${paper}`).toBeGreaterThanOrEqual(SEEN)
  })

  it('has a shade of its own for each layer', () => {
    const layers = ['indigo', 'sky', 'violet', 'slate', 'ultramarine', 'lavender', 'steel']
    expect(new Set(layers.map((name) => all[name])).size).toBe(layers.length)
    for (const name of layers)
      for (const paper of PAPERS)
        expect(contrast(name, paper), `${name} on ${paper}`).toBeGreaterThanOrEqual(SEEN)
  })
})
