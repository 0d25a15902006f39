import { message, type Message } from '../../message/message'
import { layerName } from '../context'
import { defineGrammar, type Phrase } from './grammar'
import { readLayer } from './read-layer'

const LAYER_FORMS = {
  hold: (layer: string): Message => message('actions.holdLayer', { layer }),
  switch: (layer: string): Message => message('actions.switchLayer', { layer }),
}

const NOTES = { hold: message('actions.whileHeld'), switch: message('actions.toggledNote') }

export const layer = defineGrammar<'layer'>({
  family: 'binding',
  group: 'layers',
  write: ({ layer: number, how }, context) => LAYER_FORMS[how](layerName(number, context)),
  phrasesIn: ({ layers }) =>
    layers.slice(1).flatMap(({ name }, index): Phrase[] =>
      (['hold', 'switch'] as const).map((how) => ({
        words: [`${how} layer ${name}`.toLowerCase(), `${how} ${name}`.toLowerCase()],
        action: { kind: 'layer', layer: index + 1, how },
        note: NOTES[how],
      })),
    ),
  read: ({ raw, text }, context) => readLayer(raw, text, context),
})
