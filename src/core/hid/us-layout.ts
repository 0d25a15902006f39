/**
 * What a computer set to the US layout types for a key, plain and with Shift (ANSI INCITS 154 positions).
 * The other layouts come beside this one as tables of the same shape.
 */
export type LayoutTable = Readonly<Record<string, readonly [plain: string, shifted: string]>>

const letterKeys = Array.from('abcdefghijklmnopqrstuvwxyz', (letter) => [
  `Key${letter.toUpperCase()}`,
  [letter, letter.toUpperCase()],
])
const digitKeys = Array.from('1234567890', (digit, index) => [`Digit${digit}`, [digit, '!@#$%^&*()'[index]]])

export const US_LAYOUT: LayoutTable = {
  ...Object.fromEntries([...letterKeys, ...digitKeys]),
  Space: [' ', ' '],
  Enter: ['\n', '\n'],
  NumpadEnter: ['\n', '\n'],
  Tab: ['\t', '\t'],
  Minus: ['-', '_'],
  Equal: ['=', '+'],
  BracketLeft: ['[', '{'],
  BracketRight: [']', '}'],
  Backslash: ['\\', '|'],
  Semicolon: [';', ':'],
  Quote: ["'", '"'],
  Backquote: ['`', '~'],
  Comma: [',', '<'],
  Period: ['.', '>'],
  Slash: ['/', '?'],
  NumpadDivide: ['/', '/'],
  NumpadMultiply: ['*', '*'],
  NumpadSubtract: ['-', '-'],
  NumpadAdd: ['+', '+'],
}
