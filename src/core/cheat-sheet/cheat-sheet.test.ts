import { englishText } from '../../messages/plain'
import { EMPTY_SHELF } from '../document/macro'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { DEVICE_MODELS } from '../device/models'
import { godwit19 } from '../device/models/godwit-19'
import { tern7 } from '../device/models/tern-7'
import { keyAction } from '../text/context'
import { anyProfile } from '../document/any-profile.test-support'
import { bindAll } from '../edits/edits'
import { addLayer } from '../edits/layer-edits'
import { factoryProfile } from '../terms/profile'
import { cheatSheet, MAX_QR_MODULES } from './cheat-sheet'
import { truncateToWidth, PAGE } from './svg'
import { runs } from '../base/runs.test-support'

/** Unclosed tags of an XML text, and text that should have been escaped. */
function unbalanced(xml: string): string[] {
  const open: string[] = []
  for (const [, close, name = '', self] of xml.matchAll(/<(\/?)([a-z]+)[^<>]*?(\/?)>/g)) {
    if (self) continue
    if (!close) open.push(name)
    else if (open.pop() !== name) return [`</${name}>`]
  }
  const stray = xml.replace(/<\/?[a-z]+[^<>]*>/g, '').match(/[<>]|&(?!amp;|lt;|gt;|quot;)/)
  return stray ? [stray[0]] : open
}

const numbers = (xml: string, attribute: string) =>
  [...xml.matchAll(new RegExp(` ${attribute}="(-?[\\d.]+)"`, 'g'))].map(([, value]) => Number(value))

describe('the cheat sheet', () => {
  it('names every input, what it does on each layer, and how each layer comes on', () => {
    const dive = bindAll(addLayer(factoryProfile(tern7, 'Brine & <watch>'), 'Dive'), tern7, [
      { layer: 0, input: 'side-rear', put: { kind: 'layer', layer: 1, how: 'hold' } },
      { layer: 1, input: 'left', put: { action: keyAction('Digit2', []), name: 'Grab line' } },
    ])
    const svg = cheatSheet(dive, tern7, EMPTY_SHELF, englishText)
    expect(svg).toContain('Brine &amp; &lt;watch&gt;')
    for (const { number, name } of tern7.inputs) expect(svg).toContain(`>${number}  ${englishText(name)}<`)
    expect(svg).toContain('>Grab line (2)<')
    expect(svg).toContain('>Dive: while Side, rear is held<')
    expect(svg).toContain('>Saltmarsh Tern 7<')
  })

  it('is one page of black on white that needs nothing from outside, for any profile of any model', () => {
    const anySheet = fc
      .constantFrom(...DEVICE_MODELS)
      .chain((model) =>
        anyProfile(model, 30).map((profile) => cheatSheet(profile, model, EMPTY_SHELF, englishText)),
      )
    fc.assert(
      fc.property(anySheet, (svg) => {
        expect(unbalanced(svg)).toEqual([])
        expect(svg).not.toMatch(/href|url\(|@import|<script|<image/)
        expect(new Set(svg.match(/#[0-9a-f]{3,6}\b(?=")/g))).toEqual(new Set(['#fff', '#000']))
        expect(Math.max(...numbers(svg, 'y'))).toBeLessThanOrEqual(PAGE.height)
        expect(Math.max(...numbers(svg, 'x'))).toBeLessThanOrEqual(PAGE.width + 100)
      }),
      runs(40),
    )
  })

  it('carries a code beside its name where paper can, and leaves out one that is too fine', () => {
    const profile = factoryProfile(tern7, 'W'.repeat(40))
    const path = 'M0 0h1v1h-1z'
    const svg = cheatSheet(profile, tern7, EMPTY_SHELF, englishText, { size: MAX_QR_MODULES, path })
    const [, x = '', y = '', scale] =
      /translate\(([\d.]+) ([\d.]+)\) scale\(([\d.]+)\)"><path d="M0 0h1v1h-1z"/.exec(svg) ?? []
    // The white border of four modules on every side is still on the page.
    const end = (from: string) => Number(from) + (MAX_QR_MODULES + 4) * Number(scale)
    expect(end(x)).toBeLessThanOrEqual(PAGE.width)
    expect(end(y)).toBeLessThan(PAGE.height / 4)
    expect(Number(y) - 4 * Number(scale)).toBeGreaterThan(0)
    expect(cheatSheet(profile, tern7, EMPTY_SHELF, englishText, { size: MAX_QR_MODULES + 4, path })).toBe(
      cheatSheet(profile, tern7, EMPTY_SHELF, englishText),
    )
  })

  it('shrinks its letters rather than let the labels of a crowded side run into each other', () => {
    const layered = ['A', 'B', 'C', 'D'].reduce(addLayer, factoryProfile(godwit19, 'Crew'))
    const cells = Array.from({ length: 12 }, (_, index) =>
      [1, 2, 3, 4].map((layer) => ({ layer, input: `thumb-${index + 1}`, put: keyAction('KeyY', []) })),
    ).flat()
    const heads = [
      ...cheatSheet(bindAll(layered, godwit19, cells), godwit19, EMPTY_SHELF, englishText).matchAll(
        /y="([\d.]+)"[^>]*>(\d+) {2}Thumb/g,
      ),
    ]
    const ys = heads.map(([, y]) => Number(y)).sort((a, b) => a - b)
    expect(ys.length).toBe(12)
    ys.slice(1).forEach((y, index) => expect(y - itemAt(ys, index)).toBeGreaterThan(9))
  })

  it('shortens what does not fit, by whole characters', () => {
    expect(truncateToWidth('Release ballast', 100, 3)).toBe('Release ballast')
    expect(truncateToWidth('Release ballast', 16, 3)).toBe('Release …')
    expect(truncateToWidth('W'.repeat(40), 190, 7, true).length).toBeLessThan(26)
    expect(truncateToWidth('🜲🜲🜲🜲', 4, 3)).toBe('🜲…')
  })
})
