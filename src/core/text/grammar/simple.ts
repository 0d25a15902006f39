import { message, type Message } from '../../message/message'
import { keysOf } from '../../base/tables'
import { BUTTON_USAGES, buttonLabel } from '../../hid/button-page'
import { CONSUMER_USAGES, consumerById } from '../../hid/consumer-page'
import { SHORTCUTS, shortcutById } from '../../computer/shortcuts'
import { shortcutKeys } from '../context'
import { defineGrammar, type Phrase } from './grammar'

/** Kinds of actions with one text for each of their values. */

export const off = defineGrammar<'off'>({
  family: 'system',
  group: 'off',
  write: () => message('actions.off'),
  phrases: [
    {
      words: ['off', 'nothing', 'none', 'disabled'],
      action: { kind: 'off' },
      note: message('actions.offNote'),
    },
  ],
})

const DOUBLE_CLICKS: Record<number, Message | undefined> = {
  1: message('names.doubleLeftClick'),
  2: message('names.doubleRightClick'),
  3: message('names.doubleMiddleClick'),
  4: message('names.doubleBackClick'),
  5: message('names.doubleForwardClick'),
}
const doubled = (button: number): Message =>
  DOUBLE_CLICKS[button] ?? message('names.doubleButton', { number: button })

export const button = defineGrammar<'button'>({
  family: 'binding',
  group: 'pointer',
  write: ({ button: number, clicks }) => (clicks === 2 ? doubled(number) : buttonLabel(number)),
  phrases: BUTTON_USAGES.flatMap(({ usage, words }): Phrase[] => [
    {
      words,
      action: { kind: 'button', button: usage, clicks: 1 },
      note: message('names.buttonNote', { number: usage }),
    },
    {
      words: words.map((word) => `double ${word}`),
      action: { kind: 'button', button: usage, clicks: 2 },
      note: message('names.doubleNote'),
    },
  ]),
})

/** The texts of scrolling in each direction. */
export const SCROLLS = {
  up: {
    once: message('actions.scrollUp'),
    by: (amount: number) => message('actions.scrollUpBy', { amount }),
  },
  down: {
    once: message('actions.scrollDown'),
    by: (amount: number) => message('actions.scrollDownBy', { amount }),
  },
  left: {
    once: message('actions.scrollLeft'),
    by: (amount: number) => message('actions.scrollLeftBy', { amount }),
  },
  right: {
    once: message('actions.scrollRight'),
    by: (amount: number) => message('actions.scrollRightBy', { amount }),
  },
} as const
const DIRECTIONS = keysOf(SCROLLS)

export const scroll = defineGrammar<'scroll'>({
  family: 'binding',
  group: 'pointer',
  write: ({ direction, amount }) => (amount === 1 ? SCROLLS[direction].once : SCROLLS[direction].by(amount)),
  phrases: DIRECTIONS.map((direction) => ({
    words: [`scroll ${direction}`, `wheel ${direction}`],
    action: { kind: 'scroll', direction, amount: 1 },
    note: message('actions.scrollNote'),
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
  phrases: CONSUMER_USAGES.map(({ id, words }) => ({
    words,
    action: { kind: 'control', control: id },
    note: message('actions.controlNote'),
  })),
})

export const shortcut = defineGrammar<'shortcut'>({
  family: 'binding',
  group: 'shortcuts',
  write: ({ shortcut: id }) => shortcutById(id)?.label ?? id,
  phrasesIn: (context) =>
    SHORTCUTS.map(({ id, words }) => ({
      words,
      action: { kind: 'shortcut', shortcut: id },
      note:
        shortcutKeys(id, context) ??
        (context.computer.system ? message('actions.notOnThisSystem') : message('actions.selectSystemFirst')),
    })),
})

const LIGHT_CHANGES = {
  next: { text: message('actions.nextLight'), words: ['next light', 'next effect', 'next light effect'] },
  previous: {
    text: message('actions.previousLight'),
    words: ['previous light', 'previous effect', 'light before'],
  },
  brighter: {
    text: message('actions.lightBrighter'),
    words: ['light brighter', 'brighter light', 'brighter lights', 'brighter'],
  },
  dimmer: {
    text: message('actions.lightDimmer'),
    words: ['light dimmer', 'dimmer light', 'dimmer lights', 'dimmer'],
  },
  off: { text: message('actions.lightOff'), words: ['light off', 'lights off', 'light on or off'] },
} as const

export const light = defineGrammar<'light'>({
  family: 'light',
  group: 'light',
  write: ({ change }) => LIGHT_CHANGES[change].text,
  phrases: keysOf(LIGHT_CHANGES).map((change) => ({
    words: LIGHT_CHANGES[change].words,
    action: { kind: 'light', change },
    note: message(change === 'off' ? 'actions.lightOffNote' : 'actions.lightNote'),
  })),
})

/** A record that is kept byte for byte, as shown. */
export const later = defineGrammar<'later'>({
  family: 'system',
  write: ({ code, bytes }) =>
    bytes === ''
      ? message('actions.fromLater', { code })
      : message('actions.fromLaterBytes', { code, bytes }),
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
