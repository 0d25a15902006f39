import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { argv, exit } from 'node:process'

/**
 * Makes src/core/computer/layouts/*.ts from the symbol files of xkb-data and the list of key symbols of x11proto-dev
 * (Debian packages; unpacked anywhere). Run by hand when a layout is added:
 *
 *   npx tsx scripts/keyboard-layouts.ts SYMBOLS_DIRECTORY KEYSYMDEF_H
 */
const [, , symbolsDirectory, keysymFile] = argv
if (!symbolsDirectory || !keysymFile) {
  console.error('say where the directory of symbols and keysymdef.h are')
  exit(2)
}

const LAYOUTS = [
  { file: 'us', symbols: 'us', variant: 'basic', name: 'US' },
  { file: 'uk', symbols: 'gb', variant: 'basic', name: 'UK' },
  { file: 'de', symbols: 'de', variant: 'basic', name: 'German' },
  { file: 'fr', symbols: 'fr', variant: 'azerty', name: 'French' },
  { file: 'es', symbols: 'es', variant: 'basic', name: 'Spanish' },
  { file: 'nordic', symbols: 'se', variant: 'basic', name: 'Nordic: Swedish and Finnish' },
  { file: 'nordic-no', symbols: 'no', variant: 'basic', name: 'Nordic: Norwegian' },
  { file: 'nordic-dk', symbols: 'dk', variant: 'basic', name: 'Nordic: Danish' },
]

/** Dead keys stand in the tables as the combining character they put on the next letter. */
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

const ROWS: Record<string, string[]> = {
  AE: [...Array.from('1234567890', (digit) => `Digit${digit}`), 'Minus', 'Equal'],
  AD: [...Array.from('QWERTYUIOP', (letter) => `Key${letter}`), 'BracketLeft', 'BracketRight'],
  AC: [...Array.from('ASDFGHJKL', (letter) => `Key${letter}`), 'Semicolon', 'Quote', 'Backslash'],
  AB: [...Array.from('ZXCVBNM', (letter) => `Key${letter}`), 'Comma', 'Period', 'Slash'],
}
const CODES: Record<string, string> = {
  TLDE: 'Backquote',
  BKSL: 'Backslash',
  LSGT: 'IntlBackslash',
  SPCE: 'Space',
  ...Object.fromEntries(
    Object.entries(ROWS).flatMap(([row, codes]) =>
      codes.map((code, index) => [`${row}${String(index + 1).padStart(2, '0')}`, code]),
    ),
  ),
}

const characters = new Map<string, string>()
for (const line of readFileSync(keysymFile, 'utf8').split('\n')) {
  const match = /^#define XK_(\w+)\s+0x[0-9a-f]+\s*\/\*[ (]*U\+([0-9A-F]+)/i.exec(line)
  if (match && !characters.has(match[1]))
    characters.set(match[1], String.fromCodePoint(parseInt(match[2], 16)))
}

function characterOf(symbol: string): string {
  if (symbol.startsWith('dead_')) return DEAD[symbol.slice(5)] ?? ''
  const unicode = /^U([0-9A-F]{4,6})$/i.exec(symbol)
  if (unicode) return String.fromCodePoint(parseInt(unicode[1], 16))
  return characters.get(symbol) ?? (symbol.length === 1 ? symbol : '')
}

type Keys = Map<string, string[]>

/** The keys of one variant of a symbol file, what it includes first. */
function keysOf(file: string, variant: string | undefined): Keys {
  const text = readFileSync(join(symbolsDirectory, file), 'utf8').replace(/\/\/.*$/gm, '')
  const blocks = [...text.matchAll(/(default[^{]*)?xkb_symbols\s+"([^"]+)"\s*\{([\s\S]*?)\n\};/g)]
  const block =
    blocks.find(([, , name]) => name === variant) ?? blocks.find(([, standard]) => standard) ?? blocks[0]
  const keys: Keys = new Map()
  for (const [, included, name, levels] of block[3].matchAll(
    /include\s+"([^"]+)"|key\s*<(\w+)>\s*\{[^}]*\[([^\]}]*)\]\s*\}/g,
  )) {
    if (included) {
      const match = /^([\w/]+)(?:\((\w+)\))?$/.exec(included)
      if (match && !['level3', 'kpdl', 'keypad'].includes(match[1]))
        for (const [key, value] of keysOf(match[1], match[2])) keys.set(key, value)
    } else
      keys.set(
        name,
        levels.split(',').map((symbol) => characterOf(symbol.trim())),
      )
  }
  return keys
}

for (const { file, symbols, variant, name } of LAYOUTS) {
  const keys = keysOf(symbols, variant)
  // Every keyboard with the key between left Shift and Z has it from xkb's pc(pc105).
  if (file !== 'us' && !keys.has('LSGT')) keys.set('LSGT', ['<', '>', '|', '¦'])
  const lines = Object.entries(CODES).flatMap(([key, code]) => {
    const levels = (keys.get(key) ?? []).slice(0, 4)
    while (levels.at(-1) === '') levels.pop()
    // xkb knows the key left of Return by two names.
    return levels.length > 0 && !(key === 'AC12' && keys.has('BKSL'))
      ? [`  ${code}: ${JSON.stringify(levels)},`]
      : []
  })
  const table = lines
    .join('\n')
    .replace(/[\u0300-\u036f]/g, (mark) => `\\u0${mark.codePointAt(0)?.toString(16)}`)
  const constant = file.toUpperCase().replace('-', '_')
  writeFileSync(
    join('src/core/hid/layouts', `${file}.ts`),
    `import type { LayoutTable } from './layout'\n\n/** ${name}. Made by scripts/keyboard-layouts.ts. */\nexport const ${constant}: LayoutTable = {\n${table}\n}\n`,
  )
}
