import { message } from '../../message/message'
import { keysOf } from '../../base/tables'
import { itemAt } from '../../base/items'
import { BUTTON_USAGES, buttonLabel } from '../../hid/button-page'
import { CONSUMER_USAGES, consumerById } from '../../hid/consumer-page'
import { SHORTCUTS, shortcutById } from '../../computer/shortcuts'
import { shortcutKeys } from '../context'
import { defineGrammar, type Phrase } from './grammar'

/** Kinds of actions with one text for each of their values. */

export const off = defineGrammar<'off'>({
  family: 'system',
  group: 'off',
  write: () => 'Off',
  phrases: [
    {
      text: 'Off',
      words: ['off', 'nothing', 'none', 'disabled'],
      action: { kind: 'off' },
      note: 'does nothing',
    },
  ],
})

const doubled = (label: string): string => `Double ${itemAt(label, 0).toLowerCase()}${label.slice(1)}`

export const button = defineGrammar<'button'>({
  family: 'binding',
  group: 'pointer',
  write: ({ button: number, clicks }) => (clicks === 2 ? doubled(buttonLabel(number)) : buttonLabel(number)),
  phrases: BUTTON_USAGES.flatMap(({ usage, label, words }): Phrase[] => [
    {
      text: label,
      words,
      action: { kind: 'button', button: usage, clicks: 1 },
      note: `mouse button ${usage}`,
    },
    {
      text: doubled(label),
      words: [doubled(label).toLowerCase(), ...words.map((word) => `double ${word}`)],
      action: { kind: 'button', button: usage, clicks: 2 },
      note: 'pressed twice',
    },
  ]),
})

const DIRECTIONS = ['up', 'down', 'left', 'right'] as const

export const scroll = defineGrammar<'scroll'>({
  family: 'binding',
  group: 'pointer',
  write: ({ direction, amount }) => (amount === 1 ? `Scroll ${direction}` : `Scroll ${direction} ${amount}`),
  phrases: DIRECTIONS.map((direction) => ({
    text: `Scroll ${direction}`,
    words: [`scroll ${direction}`, `wheel ${direction}`],
    action: { kind: 'scroll', direction, amount: 1 },
    note: 'add an amount, such as 3',
  })),
  read({ text }) {
    const match = /^(?:scroll|wheel) (up|down|left|right) (\d+)$/.exec(text)
    if (!match) return undefined
    const amount = Number(match[2])
    if (amount < 1 || amount > 100) return { problem: message('parse.detents') }
    const direction = DIRECTIONS.find((candidate) => candidate === match[1])
    return direction && { action: { kind: 'scroll', direction, amount } }
  },
})

export const control = defineGrammar<'control'>({
  family: 'binding',
  group: 'media',
  write: ({ control: id }) => consumerById(id)?.label ?? id,
  phrases: CONSUMER_USAGES.map(({ id, label, words }) => ({
    text: label,
    words: [label.toLowerCase(), ...words],
    action: { kind: 'control', control: id },
    note: 'control',
  })),
})

export const shortcut = defineGrammar<'shortcut'>({
  family: 'binding',
  group: 'shortcuts',
  write: ({ shortcut: id }) => shortcutById(id)?.label ?? id,
  phrasesIn: (context) =>
    SHORTCUTS.map(({ id, label, words }) => ({
      text: label,
      words: [label.toLowerCase(), ...words],
      action: { kind: 'shortcut', shortcut: id },
      note:
        shortcutKeys(id, context) ??
        (context.computer.system ? 'not on this operating system' : 'select the operating system first'),
    })),
})

const LIGHT_CHANGES = {
  next: { text: 'Next light', words: ['next light', 'next effect', 'next light effect'] },
  previous: { text: 'Previous light', words: ['previous light', 'previous effect', 'light before'] },
  brighter: {
    text: 'Light brighter',
    words: ['light brighter', 'brighter light', 'brighter lights', 'brighter'],
  },
  dimmer: { text: 'Light dimmer', words: ['light dimmer', 'dimmer light', 'dimmer lights', 'dimmer'] },
  off: { text: 'Light off', words: ['light off', 'lights off', 'light on or off'] },
} as const

export const light = defineGrammar<'light'>({
  family: 'light',
  group: 'light',
  write: ({ change }) => LIGHT_CHANGES[change].text,
  phrases: keysOf(LIGHT_CHANGES).map((change) => ({
    ...LIGHT_CHANGES[change],
    action: { kind: 'light', change },
    note: change === 'off' ? 'press again to turn it on' : 'device light',
  })),
})

/** A record that is kept byte for byte, as shown. */
export const later = defineGrammar<'later'>({
  family: 'system',
  write: ({ code, bytes }) => `From a later version ${code}${bytes === '' ? '' : ` ${bytes}`}`,
  readsFirst: true,
  read({ text }) {
    const match = /^from a later version (\d+)(?: ((?:[0-9a-f]{2})+))?$/.exec(text)
    if (!match) return undefined
    const code = Number(match[1])
    return code > 31
      ? { problem: message('parse.actionCode') }
      : { action: { kind: 'later', code, bytes: match[2] ?? '' } }
  },
})
