import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { argv, exit } from 'node:process'
import { itemAt, valueOf } from '../src/core/base/items'
import { KEY_ROWS, NOTHING, SPACE_SIGN } from '../src/core/computer/layouts/layout'
import {
  ACUTE,
  CIRCUMFLEX,
  DIAERESIS,
  GRAVE,
  LAYOUT_SOURCES,
  TILDE,
  type LayoutSource,
} from './keyboard-layout-sources'

/**
 * Creates src/core/computer/layouts/*.ts: the characters of each key, by system. Facts come
 *
 * - for Linux from the symbol files of xkb-data and the key symbols of x11proto-dev (Debian packages),
 * - for Windows and macOS from the tables in `keyboardLayouts/` of an editor's keybinding service
 *   (@codingame/monaco-vscode-keybindings-service-override, MIT),
 * - for macOS, if those have none, from the `macintosh_vndr` symbols of xkb-data, plain and with Shift; characters of
 *   Option are left out except for listed keys, or entered by hand (keyboard-layout-sources.ts),
 * - and for dead keys on Windows, which those tables lack, from keyboard-layout-sources.ts.
 *
 * Run by hand when a layout is added; nothing else needs these sources:
 *
 *   npx tsx scripts/keyboard-layouts.ts SYMBOLS_DIRECTORY KEYSYMDEF_H KEYBOARD_LAYOUTS_DIRECTORY
 */
const [symbolsDirectory = '', keysymFile = '', systemsDirectory = ''] = argv.slice(2)
if (!symbolsDirectory || !keysymFile || !systemsDirectory) {
  console.error('say where the directory of symbols, keysymdef.h and the tables of Windows and macOS are')
  exit(2)
}

/** Tables have dead keys as the combining character they add to the next letter. */
const DEAD: Record<string, string> = {
  grave: '\u0300',
  acute: '\u0301',
  circumflex: '\u0302',
  tilde: '\u0303',
  macron: '\u0304',
  breve: '\u0306',
  abovedot: '\u0307',
  diaeresis: '\u0308',
  abovering: '\u030a',
  doubleacute: '\u030b',
  caron: '\u030c',
  cedilla: '\u0327',
  ogonek: '\u0328',
  belowdot: '\u0323',
  hook: '\u0309',
  horn: '\u031b',
  stroke: '\u0335',
}
/** The visible form of a dead key in the tables of macOS. */
const MARK_OF: Record<string, string> = {
  '´': ACUTE,
  "'": ACUTE,
  '`': GRAVE,
  '^': CIRCUMFLEX,
  ˆ: CIRCUMFLEX,
  '~': TILDE,
  '˜': TILDE,
  '¨': DIAERESIS,
  '"': DIAERESIS,
  '¸': '\u0327',
  '˛': '\u0328',
  '˚': '\u030a',
  '˙': '\u0307',
  ˇ: '\u030c',
  '˘': '\u0306',
  '˝': '\u030b',
  '¯': '\u0304',
}
/** Accents that are dead keys on a Mac but characters in `macintosh_vndr`. */
const ACCENT_KEYS = new Set(['AE12', 'AD12'])

const XKB_ROWS: Record<string, number> = { AE: 0, AD: 1, AC: 2, AB: 3 }
const ROW_STARTS = ['Digit1', 'KeyQ', 'KeyA', 'KeyZ']
const CODES: Record<string, string> = {
  TLDE: 'Backquote',
  BKSL: 'Backslash',
  LSGT: 'IntlBackslash',
  AB11: 'IntlRo',
  SPCE: 'Space',
}
for (const [row, index] of Object.entries(XKB_ROWS)) {
  const codes = itemAt(KEY_ROWS, index).slice(itemAt(KEY_ROWS, index).indexOf(itemAt(ROW_STARTS, index)))
  codes.forEach((code, place) => (CODES[`${row}${String(place + 1).padStart(2, '0')}`] ??= code))
}

const characters = new Map<string, string>()
for (const line of readFileSync(keysymFile, 'utf8').split('\n')) {
  const match = /^#define XK_(\w+)\s+0x[0-9a-f]+\s*\/\*[ (]*U\+([0-9A-F]+)/i.exec(line)
  if (match && !characters.has(itemAt(match, 1)))
    characters.set(itemAt(match, 1), String.fromCodePoint(parseInt(itemAt(match, 2), 16)))
}

function characterOf(symbol: string): string {
  if (symbol.startsWith('dead_')) return DEAD[symbol.slice(5)] ?? ''
  const unicode = /^U([0-9A-F]{4,6})$/i.exec(symbol)
  if (unicode) return String.fromCodePoint(parseInt(itemAt(unicode, 1), 16))
  return characters.get(symbol) ?? (symbol.length === 1 ? symbol : '')
}

/** Levels by the name of the key in xkb; `own` marks those of the file itself. */
type Keys = Map<string, { levels: string[]; own: boolean }>

/** The keys of one variant of a symbol file, starting with its includes. */
function keysOf(file: string, variant: string | undefined): Keys {
  const text = readFileSync(join(symbolsDirectory, file), 'utf8').replace(/\/\/.*$/gm, '')
  const blocks = [...text.matchAll(/(default[^{]*)?xkb_symbols\s+"([^"]+)"\s*\{([\s\S]*?)\n\s*\};/g)]
  const block =
    blocks.find(([, , name]) => name === variant) ??
    blocks.find(([, standard]) => standard) ??
    itemAt(blocks, 0)
  const keys: Keys = new Map()
  for (const [, included, name = '', levels = ''] of itemAt(block, 3).matchAll(
    /include\s+"([^"]+)"|key\s*<(\w+)>\s*\{[^}]*\[([^\]}]*)\]\s*\}/g,
  )) {
    if (included) {
      const match = /^([\w/]+)(?:\((\w+)\))?$/.exec(included)
      if (match && !['level3', 'kpdl', 'keypad', 'eurosign'].includes(itemAt(match, 1)))
        for (const [key, value] of keysOf(itemAt(match, 1), match[2]))
          keys.set(key, { ...value, own: itemAt(match, 1).startsWith('macintosh_vndr') && value.own })
      // The euro is at the key named by the include, with AltGr.
      if (match?.[1] === 'eurosign') {
        const key = { e: 'AD03', '4': 'AE04', '5': 'AE05' }[match[2] ?? ''] ?? ''
        const there = keys.get(key)
        if (there)
          keys.set(key, { levels: [itemAt(there.levels, 0), itemAt(there.levels, 1), '€'], own: there.own })
      }
    } else
      keys.set(name, { levels: levels.split(',').map((symbol) => characterOf(symbol.trim())), own: true })
  }
  return keys
}

/** A table: the levels of each key by its code. */
type Table = Record<string, string[]>

function ofLinux([symbols, variant]: LayoutSource['linux']): Table {
  const keys = keysOf(symbols, variant)
  // Every keyboard with a key between left Shift and Z has it from xkb's pc(pc105).
  if (symbols !== 'us' && !keys.has('LSGT')) keys.set('LSGT', { levels: ['<', '>', '|', '¦'], own: true })
  return tableOf(keys)
}

function tableOf(keys: Keys): Table {
  const table: Table = {}
  for (const [key, code] of Object.entries(CODES)) {
    const levels = keys.get(key)?.levels
    // xkb has two names for the key left of Return.
    if (levels && !(key === 'AC12' && keys.has('BKSL'))) table[code] = levels.slice(0, 4)
  }
  return table
}

function ofMacSymbols([symbols, variant, optionKeys]: Exclude<LayoutSource['macos'], string>): Table {
  const keys = keysOf(`macintosh_vndr/${symbols}`, variant)
  // A Norwegian Mac has an apostrophe there, unlike these symbols.
  if (symbols === 'no') keys.set('TLDE', { levels: ["'", '§'], own: true })
  for (const [key, { levels, own }] of keys) {
    const accent = ACCENT_KEYS.has(key)
    const option = own && optionKeys.includes(key)
    // A Mac with the sign for any currency has had the euro for long: neither is certain.
    const certain = levels.map((each) => (each === '¤' ? '' : each))
    const kept = certain.slice(0, option ? 4 : accent && optionKeys.length > 0 ? 3 : 2)
    keys.set(key, { levels: accent ? kept.map((each) => MARK_OF[each] ?? each) : kept, own })
  }
  return tableOf(keys)
}

/** A table of Windows or macOS: `Code: ['plain', 'shift', 'altgr', 'both', mask of those that are dead, …]`. */
function ofSystem(file: string): Record<string, { levels: string[]; mask: number }> {
  const text = readFileSync(join(systemsDirectory, file), 'utf8')
  const found: Record<string, { levels: string[]; mask: number }> = {}
  for (const [, code = '', list = ''] of text.matchAll(/^\s+(\w+): \[(.*)\],?$/gm)) {
    const parts = [...list.matchAll(/'((?:\\.|[^'\\])*)'|(\d+)/g)]
    const strings = parts.flatMap(([, string]) =>
      string === undefined
        ? []
        : [
            string
              .replace(/\\u([0-9A-Fa-f]{4})/g, (_, hex: string) => String.fromCharCode(parseInt(hex, 16)))
              .replace(/\\(.)/g, '$1'),
          ],
    )
    const mask = Number(parts.find(([, , number]) => number !== undefined)?.[2] ?? 0)
    if (strings.length >= 4) found[code] = { levels: strings.slice(0, 4), mask }
  }
  return found
}

function ofWindows({ windows, windowsDead = {} }: LayoutSource): Table {
  if (windows === 'dvorak')
    return Object.fromEntries(
      Object.entries(ofLinux(['us', 'dvorak'])).map(([code, levels]) => [code, levels.slice(0, 2)]),
    )
  return Object.fromEntries(
    Object.entries(ofSystem(`${windows}.win.js`)).map(([code, { levels }]) => [
      code,
      levels.map((each, level) => windowsDead[code]?.[level] ?? each),
    ]),
  )
}

/** Levels of Option replace those of the symbols; others stay. */
function withOption(table: Table, option: LayoutSource['macosOption'] = {}): Table {
  const put = Object.entries(option).map(([code, levels]) => {
    const [plain = '', shift = '', ...there] = table[code] ?? []
    return [code, [plain, shift, levels[0] ?? there[0] ?? '', levels[1] ?? there[1] ?? '']]
  })
  return { ...table, ...Object.fromEntries(put) }
}

function ofMac({ macos, macosOption, iso }: LayoutSource): Table {
  if (typeof macos !== 'string') return withOption(ofMacSymbols(macos), macosOption)
  const table: Table = Object.fromEntries(
    Object.entries(ofSystem(`${macos}.darwin.js`)).map(([code, { levels, mask }]) => [
      code,
      levels.map((each, level) => (mask & (1 << level) ? (MARK_OF[each] ?? '') : each)),
    ]),
  )
  // The tables use a Mac's names of its keys; an ISO keyboard sends these two swapped.
  return iso
    ? { ...table, Backquote: valueOf(table, 'IntlBackslash'), IntlBackslash: valueOf(table, 'Backquote') }
    : table
}

/** A row from left to right: keys separated, each with its levels in sequence. */
function rowText(codes: readonly string[], table: Table): string {
  const keys = codes.map((code) => {
    const levels = (table[code] ?? []).map((each) =>
      [...each].length !== 1 ? NOTHING : each === ' ' ? SPACE_SIGN : each,
    )
    while (levels.at(-1) === NOTHING) levels.pop()
    return levels.length > 0 ? levels.join('') : NOTHING
  })
  return JSON.stringify(keys.join(' ')).replace(
    /[\u0300-\u036f\u00a0-\u00ad\u2000-\u206f\ue000-\uf8ff]/g,
    (sign) => (/[¡-¬]/.test(sign) ? sign : `\\u${(sign.codePointAt(0) ?? 0).toString(16).padStart(4, '0')}`),
  )
}

/** Tables that exist already, by their contents: layouts share equal ones. */
const written = new Map<string, { constant: string; file: string; system: string }>()

for (const source of LAYOUT_SOURCES) {
  const { file, name, iso } = source
  const constant = file.toUpperCase().replace('-', '_')
  const tables: Record<string, Table> = {
    windows: ofWindows(source),
    macos: ofMac(source),
    linux: ofLinux(source.linux),
  }
  const imports = new Map<string, string>()
  const text = Object.entries(tables).map(([system, table]) => {
    const rows = KEY_ROWS.map((codes) => `    ${rowText(codes, table)},`).join('\n')
    const there = written.get(rows)
    if (there && there.file !== file) {
      imports.set(there.file, there.constant)
      return `  ${system}: ${there.constant}.${there.system},`
    }
    written.set(rows, { constant, file, system })
    return `  ${system}: [\n${rows}\n  ],`
  })
  const others = [...imports].map(([from, what]) => `import { ${what} } from './${from}'\n`)
  writeFileSync(
    join('src/core/computer/layouts', `${file}.ts`),
    [
      `import type { LayoutRows } from './layout'\n`,
      ...others,
      `\n/** ${name}. Made by scripts/keyboard-layouts.ts. */\n`,
      `export const ${constant}: LayoutRows = {\n  mac: '${iso ? 'ISO' : 'ANSI'}',\n${text.join('\n')}\n}\n`,
    ].join(''),
  )
}
