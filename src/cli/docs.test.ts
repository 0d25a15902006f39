import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../core/base/items'
import { ACTIONS } from '../core/actions/registry'
import { EFFECT_NAMES } from '../core/effects/registry'
import { tables } from '../../scripts/format-tables'
import { lightVector, LIGHT_VECTORS } from '../../scripts/light-vectors'
import { vectorFile, vectors } from '../../scripts/format-vectors'
import { tern7 } from '../core/device/models/tern-7'
import { compileProfile } from '../core/compile/compile'
import { decompileImage } from '../core/compile/decompile'
import { SECTION } from '../core/onboard/image'
import { COMMAND, PACKET_BYTES, READ_CHUNK, STATUS } from '../core/link/packets'
import { shelfOf } from '../core/document/macro'
import { macrosFromCsv } from '../core/files/macro-csv'
import { macrosFromJson } from '../core/files/macro-json'
import { contextOf } from '../core/text/context'
import { parseCell } from '../core/text/cell-text'
import { addLayer } from '../core/edits/layer-edits'
import { factoryProfile } from '../core/terms/profile'
import { parseProfile } from '../core/document/schema'
import { parseScript } from './script'

const page = (name: string) => readFileSync(`docs/${name}.md`, 'utf8')
const blocks = (text: string, language: string) =>
  [...text.matchAll(new RegExp(`\`\`\`${language}\\n(.*?)\`\`\``, 'gs'))].map(([, body = '']) => body)

describe('the documents are true of the code', () => {
  it('the profile in file-formats.md passes the gate and compiles', () => {
    const example = itemAt(blocks(page('file-formats'), 'json'), 0)
    const profile = parseProfile(JSON.parse(example))
    expect(compileProfile(profile, tern7).findings).toEqual([])
  })

  it('the macro in file-formats.md passes the gate, and its table says the same', () => {
    const example = itemAt(blocks(page('file-formats'), 'json'), 1)
    const table = itemAt(blocks(page('file-formats'), 'csv'), 0)
    const [macro] = macrosFromJson(example)
    const [read] = macrosFromCsv(
      table,
      () => undefined,
      () => 'new',
    )
    expect(read).toEqual({ ...macro, id: 'new' })
  })

  it('the bytes in onboard-format.md are the image they say they are', () => {
    const example = blocks(page('onboard-format'), '').find((block) => block.startsWith('55 53'))
    const bytes = (example ?? '')
      .split('\n')
      .flatMap((line) => /^ *((?:[0-9a-f]{2} )*[0-9a-f]{2})(?: {2,}|$)/.exec(line)?.[1]?.split(' ') ?? [])
      .map((hex) => Number.parseInt(hex, 16))
    expect(decompileImage(Uint8Array.from(bytes), tern7)).toEqual(factoryProfile(tern7, 'Brinewatch'))
    expect(bytes.length).toBe(54)
  })

  it('the frames in vectors/light are those of their images and scripts', async () => {
    const there = readdirSync('docs/vectors/light').sort()
    const made = Object.assign({}, ...(await Promise.all(LIGHT_VECTORS.map(lightVector)))) as Record<
      string,
      string
    >
    expect(Object.keys(made).sort()).toEqual(there)
    for (const [file, content] of Object.entries(made))
      expect(readFileSync(`docs/vectors/light/${file}`, 'utf8'), file).toBe(content)
  })

  it('the format describes every action by its code, and every effect', () => {
    const rowsBehind = (head: RegExp) =>
      itemAt(itemAt(page('onboard-format').split(head), 1).split('\n\n'), 0).match(/^\| (?!-)(.+?) +\|/gm) ??
      []
    const actions = rowsBehind(/\| code +\| action +\|.*/).join('\n')
    for (const [name, { code }] of Object.entries(ACTIONS))
      expect(actions, name).toMatch(new RegExp(`^\\| ${code} +\\|`, 'm'))
    expect(rowsBehind(/\| effect +\| result +\|/)).toHaveLength(EFFECT_NAMES.length)
  })

  it('section types are those of the table', () => {
    const table = itemAt(itemAt(page('onboard-format').split(/\| type +\| section +\|/), 1).split('\n\n'), 0)
    const rows = [...table.matchAll(/^\| (\d+) +\| (\S+)/gm)].map(([, type, word]) => [Number(type), word])
    expect(rows.map(([type]) => type)).toEqual(Object.values(SECTION))
    expect(rows.map(([, word]) => word)).toEqual([
      ...[
        'name',
        'bindings',
        'steps',
        'polling',
        'light',
        'layers',
        'macros',
        'names',
        'light',
        'settings',
        'made',
        'macro',
        'step',
        'revision',
        'names',
      ],
    ])
  })

  it('cells in file-formats.md are read, each as the kind it stands beside', () => {
    const blank = factoryProfile(tern7, 'x', { system: 'windows', layout: 'de' })
    const macros = shelfOf(macrosFromJson(readFileSync('demo/macros.json', 'utf8')))
    const context = contextOf(addLayer(blank, 'Dive'), tern7, macros)
    const table = itemAt(itemAt(page('file-formats').split('## Cells'), 1).split('\n\n'), 2)
    const texts = [...table.matchAll(/^\| (`[^|]*`)/gm)].flatMap(([, cell = '']) =>
      [...cell.matchAll(/`([^`]+)`/g)].map(([, text = '']) => text.replace('….', 'bay.')),
    )
    expect(texts.length).toBeGreaterThan(25)
    for (const text of texts) expect(parseCell(text, context), text).not.toHaveProperty('problem')
  })

  it('commands, statuses and sizes are those of link-protocol.md', () => {
    const text = page('link-protocol')
    for (const [name, number] of Object.entries(COMMAND))
      expect(text).toMatch(new RegExp(`\\*\\*${number} ${name}\\b`))
    const documented = [...text.matchAll(/\| (\d+) +\| [a-z][^|]*(?=\|)/g)].map(([, number]) =>
      Number(number),
    )
    for (const status of Object.values(STATUS)) expect(documented).toContain(status)
    expect(text).toContain(`${PACKET_BYTES} bytes of data`)
    expect(text).toContain(`up to ${READ_CHUNK} bytes`)
  })

  it('the vectors are what the format says they mean', () => {
    const files = readdirSync('docs/vectors').filter((name) => name.endsWith('.json'))
    const made = new Map(vectors().map((vector) => [`${vector.name}.json`, vectorFile(vector)]))
    expect(files.sort()).toEqual([...made.keys()].sort())
    expect(files.length).toBeGreaterThanOrEqual(60)
    for (const file of files) expect(readFileSync(`docs/vectors/${file}`, 'utf8'), file).toBe(made.get(file))
  })

  it('the tables of the format are those of the code', () => {
    expect(readFileSync('docs/onboard-tables.md', 'utf8')).toBe(tables())
  })

  it('the script of the demo is one', () => {
    const steps = parseScript(readFileSync('demo/ballast.script', 'utf8'), 'demo/ballast.script', tern7)
    expect(steps.length).toBeGreaterThan(5)
  })

  it('pages link only to what is there', () => {
    for (const name of ['README.md', 'docs/architecture.md', 'docs/file-formats.md']) {
      const folder = name.includes('/') ? 'docs/' : ''
      const links = [...readFileSync(name, 'utf8').matchAll(/\]\(([^)#:]+)\)/g)].map(
        ([, target]) => `${folder}${target}`,
      )
      for (const target of links) expect(existsSync(target), `${name}: ${target}`).toBe(true)
    }
  })
})
