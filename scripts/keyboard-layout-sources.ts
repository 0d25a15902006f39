/** Sources of each keyboard layout, and facts missing from them (keyboard-layouts.ts creates the tables). */
export interface LayoutSource {
  file: string
  name: string
  linux: [symbols: string, variant: string | undefined]
  /** A table, or `dvorak`: that of US with Dvorak's positions. */
  windows: string
  /** Dead keys on Windows: their level and the mark. */
  windowsDead?: Record<string, (string | undefined)[]>
  /** A table, or symbols of `macintosh_vndr`. */
  macos: string | [symbols: string, variant: string, optionKeys: string[]]
  /** Characters of Option and Option with Shift if the symbols are partly wrong: entered by hand, only certain ones. */
  macosOption?: Record<string, (string | undefined)[]>
  /** Whether a Mac assumes an ISO keyboard: then two keys are swapped compared with the tables. */
  iso: boolean
}

export const GRAVE = '\u0300'
export const ACUTE = '\u0301'
export const CIRCUMFLEX = '\u0302'
export const TILDE = '\u0303'
export const DIAERESIS = '\u0308'
const NORDIC_MAC = ['AE02', 'AE03', 'AE04', 'AE07', 'AE08', 'AE09']
const NORDIC_DEAD = { Equal: [ACUTE, GRAVE], BracketRight: [DIAERESIS, CIRCUMFLEX, TILDE] }

export const LAYOUT_SOURCES: readonly LayoutSource[] = [
  { file: 'us', name: 'US', linux: ['us', 'basic'], windows: 'en', macos: 'en', iso: false },
  { file: 'uk', name: 'UK', linux: ['gb', 'basic'], windows: 'en-uk', macos: 'en-uk', iso: true },
  {
    file: 'de',
    name: 'German',
    linux: ['de', 'basic'],
    windows: 'de',
    windowsDead: { Backquote: [CIRCUMFLEX], Equal: [ACUTE, GRAVE] },
    macos: 'de',
    iso: true,
  },
  {
    file: 'fr',
    name: 'French',
    linux: ['fr', 'azerty'],
    windows: 'fr',
    windowsDead: {
      BracketLeft: [CIRCUMFLEX, DIAERESIS],
      Digit2: [undefined, undefined, TILDE],
      Digit7: [undefined, undefined, GRAVE],
    },
    macos: 'fr',
    iso: true,
  },
  {
    file: 'es',
    name: 'Spanish',
    linux: ['es', 'basic'],
    windows: 'es',
    windowsDead: {
      BracketLeft: [GRAVE, CIRCUMFLEX],
      Quote: [ACUTE, DIAERESIS],
      Digit4: [undefined, undefined, TILDE],
    },
    macos: 'es',
    iso: true,
  },
  {
    file: 'nordic',
    name: 'Swedish',
    linux: ['se', 'basic'],
    windows: 'sv',
    windowsDead: NORDIC_DEAD,
    macos: ['se', 'basic', NORDIC_MAC],
    iso: true,
  },
  {
    file: 'nordic-no',
    name: 'Norwegian',
    linux: ['no', 'basic'],
    windows: 'no',
    windowsDead: { Equal: [undefined, GRAVE, ACUTE], BracketRight: [DIAERESIS, CIRCUMFLEX, TILDE] },
    macos: ['no', 'basic', NORDIC_MAC],
    iso: true,
  },
  {
    file: 'nordic-dk',
    name: 'Danish',
    linux: ['dk', 'basic'],
    windows: 'dk',
    windowsDead: NORDIC_DEAD,
    macos: ['dk', 'macbookpro', []],
    macosOption: {
      Digit7: [undefined, '\\'],
      Digit8: ['[', '{'],
      Digit9: [']', '}'],
      KeyI: ['|'],
      Backslash: ['@'],
      BracketRight: [TILDE],
    },
    iso: true,
  },
  {
    file: 'fi',
    name: 'Finnish',
    linux: ['fi', undefined],
    windows: 'sv',
    windowsDead: NORDIC_DEAD,
    macos: ['se', 'basic', NORDIC_MAC],
    iso: true,
  },
  {
    file: 'pt',
    name: 'Portuguese: Portugal',
    linux: ['pt', 'basic'],
    windows: 'pt',
    windowsDead: {
      BracketLeft: [undefined, undefined, DIAERESIS],
      BracketRight: [ACUTE, GRAVE],
      Backslash: [TILDE, CIRCUMFLEX],
    },
    macos: ['pt', 'basic', []],
    macosOption: { Digit2: ['@'], Digit8: ['[', '{'], Digit9: [']', '}'] },
    iso: true,
  },
  {
    file: 'br',
    name: 'Portuguese: Brazil',
    linux: ['br', undefined],
    windows: 'pt-br',
    windowsDead: { BracketLeft: [ACUTE, GRAVE], Quote: [TILDE, CIRCUMFLEX], Digit6: [undefined, DIAERESIS] },
    macos: 'pt',
    iso: false,
  },
  { file: 'it', name: 'Italian', linux: ['it', 'basic'], windows: 'it', macos: 'it', iso: true },
  {
    file: 'pl',
    name: 'Polish',
    linux: ['pl', 'basic'],
    windows: 'pl',
    windowsDead: { Backquote: [undefined, TILDE] },
    macos: 'pl',
    iso: false,
  },
  {
    file: 'ch',
    name: 'Swiss German',
    linux: ['ch', 'basic'],
    windows: 'de-swiss',
    windowsDead: {
      Equal: [CIRCUMFLEX, GRAVE, TILDE],
      BracketRight: [DIAERESIS],
      Minus: [undefined, undefined, ACUTE],
    },
    macos: ['ch', 'de', []],
    macosOption: {
      Digit1: ['±'],
      Digit2: ['“'],
      Digit3: ['#'],
      Digit5: ['['],
      Digit6: [']'],
      Digit7: ['|', '\\'],
      Digit8: ['{'],
      Digit9: ['}'],
      Digit0: ['≠'],
      Minus: ['¿'],
      KeyQ: ['œ', 'Œ'],
      KeyE: ['€'],
      KeyR: ['®'],
      KeyT: ['†'],
      KeyI: ['¡'],
      KeyO: ['ø', 'Ø'],
      KeyA: ['å', 'Å'],
      KeyS: ['ß'],
      KeyF: ['ƒ'],
      KeyG: ['@'],
      KeyH: ['ª'],
      KeyJ: ['º'],
      KeyL: ['¬'],
      Quote: ['æ', 'Æ'],
      KeyC: ['©'],
      KeyN: [TILDE],
      KeyM: ['µ'],
      Comma: ['«', '»'],
      Period: ['…'],
    },
    iso: true,
  },
  {
    file: 'us-intl',
    name: 'US International',
    linux: ['us', 'intl'],
    windows: 'en-intl',
    windowsDead: { Quote: [ACUTE, DIAERESIS], Backquote: [GRAVE, TILDE], Digit6: [undefined, CIRCUMFLEX] },
    macos: 'en-intl',
    iso: false,
  },
  { file: 'dvorak', name: 'Dvorak', linux: ['us', 'dvorak'], windows: 'dvorak', macos: 'dvorak', iso: false },
]
