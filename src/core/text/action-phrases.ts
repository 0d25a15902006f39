import type { MacroShelf } from '../document/macro'
import { capital } from '../base/names'
import { rememberedFor } from '../base/remembered'
import { BUTTON_USAGES } from '../hid/button-page'
import { CONSUMER_USAGES } from '../hid/consumer-page'
import { KEY_USAGES } from '../hid/keyboard-page'
import { keyLegend } from '../computer/layouts'
import { doubled, keyAction, LIGHT_TEXT, macroName, shortcutKeys, type ActionContext } from './action-text'
import { playedOnce } from '../document/action-schema'
import type { SingleAction } from '../document/schema'
import { SHORTCUTS } from '../computer/shortcuts'

/** A whole action under one or more fixed wordings. */
export interface Phrase {
  text: string
  action: SingleAction
  /** What it is, in a word or two, beside the text. */
  note: string
  words: readonly string[]
}

export const BUTTON_PHRASES: Phrase[] = BUTTON_USAGES.flatMap(({ usage, label, words }): Phrase[] => [
  { text: label, words, action: { kind: 'button', button: usage, clicks: 1 }, note: `mouse button ${usage}` },
  {
    text: doubled(label),
    words: [doubled(label).toLowerCase(), ...words.map((word) => `double ${word}`)],
    action: { kind: 'button', button: usage, clicks: 2 },
    note: 'pressed twice',
  },
])

export const SCROLL_PHRASES: Phrase[] = (['up', 'down', 'left', 'right'] as const).map((direction) => ({
  text: `Scroll ${direction}`,
  words: [`scroll ${direction}`, `wheel ${direction}`],
  action: { kind: 'scroll', direction, amount: 1 },
  note: 'add an amount, such as 3',
}))

export const CONTROL_PHRASES: Phrase[] = CONSUMER_USAGES.map(({ id, label, words }) => ({
  text: label,
  words: [label.toLowerCase(), ...words],
  action: { kind: 'control', control: id },
  note: 'control',
}))

const LIGHT_WORDS = {
  next: ['next light', 'next effect', 'next light effect'],
  previous: ['previous light', 'previous effect', 'light before'],
  brighter: ['light brighter', 'brighter light', 'brighter lights', 'brighter'],
  dimmer: ['light dimmer', 'dimmer light', 'dimmer lights', 'dimmer'],
  off: ['light off', 'lights off', 'light on or off'],
} as const

export const LIGHT_PHRASES: Phrase[] = (['next', 'previous', 'brighter', 'dimmer', 'off'] as const).map(
  (change) => ({
    text: LIGHT_TEXT[change],
    words: LIGHT_WORDS[change],
    action: { kind: 'light', change },
    note: change === 'off' ? 'once more brings it back' : 'light of the device',
  }),
)

export const OFF_PHRASE: Phrase = {
  text: 'Off',
  words: ['off', 'nothing', 'none', 'disabled'],
  action: { kind: 'off' },
  note: 'does nothing',
}

/** Phrases that are the same on every device and every computer. */
export const FIXED_PHRASES: Phrase[] = [
  OFF_PHRASE,
  ...BUTTON_PHRASES,
  ...SCROLL_PHRASES,
  ...CONTROL_PHRASES,
  ...LIGHT_PHRASES,
]

/** Every phrase of a context, the fixed ones first. */
export const phrasesOf = (context: ActionContext): Phrase[] => [
  ...FIXED_PHRASES,
  ...shortcutPhrases(context),
  ...(context.model.sensor ? placePhrases('step', context.model.sensor.maxSteps) : []),
  ...placePhrases('slot', context.model.memory.slots),
  ...holdStepPhrases(context),
  ...layerPhrases(context),
  ...macroPhrases(context),
]

/** Every key by the legend of the layout and by its plain names. */
export const keyPhrases = ({ computer: { layout } }: ActionContext): Phrase[] =>
  KEY_USAGES.map(({ code, words }) => {
    const text = keyLegend(code, layout)
    return { text, words: [text.toLowerCase(), ...words], note: 'key', action: keyAction(code, []) }
  })

export const shortcutPhrases = (context: ActionContext): Phrase[] =>
  SHORTCUTS.map(({ id, label, words }) => ({
    text: label,
    words: [label.toLowerCase(), ...words],
    action: { kind: 'shortcut', shortcut: id },
    note:
      shortcutKeys(id, context) ??
      (context.computer.system ? 'not on this system' : 'choose the system first'),
  }))

export const placePhrases = (kind: 'step' | 'slot', count: number): Phrase[] => {
  const note = kind === 'step' ? 'sensitivity' : 'onboard profile'
  return [
    ...(['next', 'previous'] as const).map((to): Phrase => ({
      text: `${capital(to)} ${kind}`,
      words: [`${to} ${kind}`, `${kind} ${to}`, to === 'next' ? `${kind} up` : `${kind} down`],
      action: { kind, to },
      note,
    })),
    ...Array.from({ length: count }, (_, index): Phrase => ({
      text: `${capital(kind)} ${index + 1}`,
      words: [`${kind} ${index + 1}`],
      action: { kind, to: index + 1 },
      note,
    })),
  ]
}

export const holdStepPhrases = ({ model: { sensor } }: ActionContext): Phrase[] =>
  Array.from({ length: sensor?.maxSteps ?? 0 }, (_, index) => ({
    text: `Hold step ${index + 1}`,
    words: [`hold step ${index + 1}`, `step ${index + 1} while held`],
    action: { kind: 'hold-step', step: index + 1 },
    note: 'while it is held',
  }))

export const layerPhrases = ({ layers }: ActionContext): Phrase[] =>
  layers.slice(1).flatMap(({ name }, index): Phrase[] =>
    (['hold', 'switch'] as const).map((how) => ({
      text: `${capital(how)} layer ${name}`,
      words: [`${how} layer ${name}`.toLowerCase(), `${how} ${name}`.toLowerCase()],
      action: { kind: 'layer', layer: index + 1, how },
      note: how === 'hold' ? 'while it is held' : 'on, and off again',
    })),
  )

/** Each macro of the library, played once; and what ends them all. */
export const macroPhrases = ({ macros }: ActionContext): readonly Phrase[] => phrasesOfMacros(macros)

/** Worked out once for each state of the library: whoever types asks at every key. */
const phrasesOfMacros = rememberedFor((macros: MacroShelf): readonly Phrase[] => [
  ...[...macros.values()].map(({ id, name }): Phrase => ({
    text: `Macro ${macroName(id, { macros })}`,
    words: [`macro ${name}`.toLowerCase()],
    action: playedOnce(id),
    note: 'add while held, 3 times, until pressed again',
  })),
  {
    text: 'Stop macros',
    words: ['stop macros', 'stop all macros'],
    action: { kind: 'stop-macros' },
    note: 'whatever plays',
  },
])
