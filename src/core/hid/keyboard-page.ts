import { message, type Message } from '../message/message'
import { isModifierUsage } from './modifiers'

/**
 * Keyboard/Keypad page (0x07) of the HID Usage Tables 1.5, section 10.
 *
 * Documents have `code` values of the UI Events standard, images have usages; this table joins the two. `legend` is the
 * print on the key of a US keyboard, `words` are other texts that people may type.
 */
export interface KeyUsage {
  usage: number
  code: string
  legend: string | Message
  words: readonly string[]
}

const letters: KeyUsage[] = Array.from('ABCDEFGHIJKLMNOPQRSTUVWXYZ', (letter, index) => ({
  usage: 0x04 + index,
  code: `Key${letter}`,
  legend: letter,
  words: [letter.toLowerCase()],
}))

const digits: KeyUsage[] = Array.from('1234567890', (digit, index) => ({
  usage: 0x1e + index,
  code: `Digit${digit}`,
  legend: digit,
  words: [digit],
}))

const functionKeys: KeyUsage[] = Array.from({ length: 24 }, (_, index) => ({
  usage: index < 12 ? 0x3a + index : 0x68 + index - 12,
  code: `F${index + 1}`,
  legend: `F${index + 1}`,
  words: [`f${index + 1}`],
}))

const numpadDigits: KeyUsage[] = Array.from('1234567890', (digit, index) => ({
  usage: 0x59 + index,
  code: `Numpad${digit}`,
  legend: message('names.num', { key: digit }),
  words: [`num ${digit}`, `numpad ${digit}`, `keypad ${digit}`],
}))

const named: [usage: number, code: string, legend: string | Message, ...words: string[]][] = [
  [0x28, 'Enter', message('names.enter'), 'enter', 'return'],
  [0x29, 'Escape', message('names.escape'), 'esc', 'escape'],
  [0x2a, 'Backspace', message('names.backspace'), 'backspace'],
  [0x2b, 'Tab', message('names.tab'), 'tab'],
  [0x2c, 'Space', message('names.space'), 'space', 'spacebar', 'space bar'],
  [0x2d, 'Minus', '-', '-', 'minus', 'hyphen'],
  [0x2e, 'Equal', '=', '=', 'equals', 'equal'],
  [0x2f, 'BracketLeft', '[', '[', 'left bracket'],
  [0x30, 'BracketRight', ']', ']', 'right bracket'],
  [0x31, 'Backslash', '\\', '\\', 'backslash'],
  [0x33, 'Semicolon', ';', ';', 'semicolon'],
  [0x34, 'Quote', "'", "'", 'quote', 'apostrophe'],
  [0x35, 'Backquote', '`', '`', 'backquote', 'grave'],
  [0x36, 'Comma', ',', ',', 'comma'],
  [0x37, 'Period', '.', '.', 'period', 'dot'],
  [0x38, 'Slash', '/', '/', 'slash'],
  [0x39, 'CapsLock', message('names.capsLock'), 'caps lock', 'capslock', 'caps'],
  [0x46, 'PrintScreen', message('names.printScreen'), 'print screen', 'printscreen', 'prtsc'],
  [0x47, 'ScrollLock', message('names.scrollLock'), 'scroll lock', 'scrolllock'],
  [0x48, 'Pause', message('names.pause'), 'pause', 'pause key', 'break'],
  [0x49, 'Insert', message('names.insert'), 'insert', 'ins'],
  [0x4a, 'Home', message('names.home'), 'home'],
  [0x4b, 'PageUp', message('names.pageUp'), 'page up', 'pageup', 'pgup'],
  [0x4c, 'Delete', message('names.delete'), 'delete', 'del'],
  [0x4d, 'End', message('names.end'), 'end'],
  [0x4e, 'PageDown', message('names.pageDown'), 'page down', 'pagedown', 'pgdn'],
  [0x4f, 'ArrowRight', message('names.rightArrow'), 'right', 'right arrow', 'arrow right'],
  [0x50, 'ArrowLeft', message('names.leftArrow'), 'left', 'left arrow', 'arrow left'],
  [0x51, 'ArrowDown', message('names.downArrow'), 'down', 'down arrow', 'arrow down'],
  [0x52, 'ArrowUp', message('names.upArrow'), 'up', 'up arrow', 'arrow up'],
  [0x53, 'NumLock', message('names.numLock'), 'num lock', 'numlock'],
  [0x54, 'NumpadDivide', message('names.num', { key: '/' }), 'num /', 'numpad divide'],
  [0x55, 'NumpadMultiply', message('names.num', { key: '*' }), 'num *', 'numpad multiply'],
  [0x56, 'NumpadSubtract', message('names.num', { key: '-' }), 'num -', 'numpad minus'],
  [0x57, 'NumpadAdd', message('names.numPlus'), 'num plus', 'numpad plus'],
  [0x58, 'NumpadEnter', message('names.numEnter'), 'num enter', 'numpad enter'],
  [0x63, 'NumpadDecimal', message('names.num', { key: '.' }), 'num .', 'numpad decimal'],
  [0x87, 'IntlRo', message('names.intl', { key: '/' }), 'intl /', 'international 1', 'ro'],
  [
    0x64,
    'IntlBackslash',
    message('names.intl', { key: '\\' }),
    'intl \\',
    'intl backslash',
    'non-us backslash',
  ],
  [0x65, 'ContextMenu', message('names.menu'), 'menu', 'context menu', 'application'],
  [0xe0, 'ControlLeft', message('names.ctrl'), 'ctrl', 'control', 'left ctrl', 'left control', 'lctrl'],
  [0xe1, 'ShiftLeft', message('names.shift'), 'shift', 'left shift', 'lshift'],
  [0xe2, 'AltLeft', message('names.alt'), 'alt', 'left alt', 'lalt', 'option', 'opt'],
  [
    0xe3,
    'MetaLeft',
    message('names.system'),
    'system',
    'meta',
    'left system',
    'super',
    'command',
    'cmd',
    'win',
    'windows',
  ],
  [0xe4, 'ControlRight', message('names.rightCtrl'), 'right ctrl', 'right control', 'rctrl'],
  [0xe5, 'ShiftRight', message('names.rightShift'), 'right shift', 'rshift'],
  [0xe6, 'AltRight', message('names.rightAlt'), 'right alt', 'altgr', 'ralt'],
  [0xe7, 'MetaRight', message('names.rightSystem'), 'right system', 'right meta', 'right win', 'right cmd'],
]

/** Every key Unisera can bind, ordered by usage. */
export const KEY_USAGES: readonly KeyUsage[] = [
  ...letters,
  ...digits,
  ...functionKeys,
  ...numpadDigits,
  ...named.map(([usage, code, legend, ...words]) => ({ usage, code, legend, words })),
].sort((a, b) => a.usage - b.usage)

/** The codes of the modifiers, in the order of their usages and of their bits in a report. */
export const MODIFIER_CODES: readonly string[] = KEY_USAGES.filter(({ usage }) => isModifierUsage(usage)).map(
  ({ code }) => code,
)

export const isModifierCode = (code: string): boolean => MODIFIER_CODES.includes(code)

const byCode = new Map(KEY_USAGES.map((key) => [key.code, key]))
const byUsage = new Map(KEY_USAGES.map((key) => [key.usage, key]))

/** The key with a UI Events `code`, or undefined for one that has no usage on the keyboard page. */
export const keyByCode = (code: string): KeyUsage | undefined => byCode.get(code)

/** The key with a keyboard-page usage, or undefined if this table does not have it. */
export const keyByUsage = (usage: number): KeyUsage | undefined => byUsage.get(usage)
