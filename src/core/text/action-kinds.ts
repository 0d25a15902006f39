import { keyByCode } from '../hid/keyboard-page'
import {
  BUTTON_PHRASES,
  CONTROL_PHRASES,
  holdStepPhrases,
  keyPhrases,
  layerPhrases,
  LIGHT_PHRASES,
  macroPhrases,
  OFF_PHRASE,
  placePhrases,
  SCROLL_PHRASES,
  shortcutPhrases,
  type Phrase,
} from './action-phrases'
import type { ActionContext } from './action-text'

/** A kind of action as a person looks for one: what it is called, and what there is of it to choose from. */
export interface ActionKind {
  id: string
  label: string
  /** In a sentence, what it is for. */
  about: string
  /** How a person begins to type one whose rest only they know. */
  begins?: string
  offers(context: ActionContext): readonly Phrase[]
}

const none = (): Phrase[] => []
const COMMON_CODES = ['Escape', 'Tab', 'Space', 'Enter', 'ShiftLeft', 'ControlLeft', 'AltLeft', 'MetaLeft']
const RARE_CODES = Array.from({ length: 12 }, (_, index) => `F${index + 13}`)

/** Every kind there is on a device, in the order a person is likely to want them. */
export const actionKinds = (context: ActionContext): ActionKind[] => [
  ...PRESSED,
  ...kindsOf(context),
  ...COMPOSED,
]

const PRESSED: ActionKind[] = [
  {
    id: 'keys',
    label: 'Keys',
    about: 'A key or a chord: type it, or press it with F9',
    offers: (context) => {
      const codes = [...COMMON_CODES, ...RARE_CODES]
      const wanted = new Set(codes.map((code) => keyByCode(code)?.code))
      return keyPhrases(context).filter(({ action }) => action.kind === 'key' && wanted.has(action.code))
    },
  },
  {
    id: 'pointer',
    label: 'Pointer',
    about: 'Clicks, double clicks and scrolling',
    offers: () => [...BUTTON_PHRASES, ...SCROLL_PHRASES],
  },
  {
    id: 'shortcuts',
    label: 'Shortcuts',
    about: 'Editing and desktop, in the keys of your system',
    offers: shortcutPhrases,
  },
  {
    id: 'media',
    label: 'Sound, media',
    about: 'Volume, playing, and what else computers have controls for',
    offers: () => CONTROL_PHRASES,
  },
]

/** Kinds whose choices are those of the device. */
const kindsOf = ({ model }: ActionContext): ActionKind[] => [
  ...(model.sensor
    ? [
        {
          id: 'steps',
          label: 'Steps',
          about: 'The next step, a chosen one, or one while it is held',
          offers: (context: ActionContext) => [
            ...placePhrases('step', model.sensor?.maxSteps ?? 0),
            ...holdStepPhrases(context),
          ],
        },
      ]
    : []),
  {
    id: 'layers',
    label: 'Layers',
    about: 'Another layer while it is held, or switched on and off',
    offers: layerPhrases,
  },
  {
    id: 'slots',
    label: 'Slots',
    about: 'Another profile of those on the device',
    offers: () => placePhrases('slot', model.memory.slots),
  },
]

const COMPOSED: ActionKind[] = [
  {
    id: 'macro',
    label: 'Macro',
    about: 'Several things by one press, from the library of macros',
    offers: macroPhrases,
  },
  {
    id: 'text',
    label: 'Text',
    about: 'Types a text in the keys of your layout',
    begins: 'type “',
    offers: none,
  },
  {
    id: 'open',
    label: 'Open…',
    about: 'A program, file, folder or web address',
    begins: 'open program ',
    offers: none,
  },
  {
    id: 'tap-hold',
    label: 'Tap and hold',
    about: 'Two actions on one input',
    begins: 'tap ',
    offers: none,
  },
  {
    id: 'light',
    label: 'Light',
    about: 'Another effect, brighter, dimmer, off',
    offers: () => LIGHT_PHRASES,
  },
  {
    id: 'countdown',
    label: 'Countdown',
    about: 'Ends in a light signal',
    begins: 'countdown 1 min 30 s',
    offers: none,
  },
  { id: 'off', label: 'Off', about: 'Does nothing', offers: () => [OFF_PHRASE] },
]
