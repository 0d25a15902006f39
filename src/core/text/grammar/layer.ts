import { capitalise } from '../../base/names'
import { layerName } from '../context'
import { defineGrammar, type Phrase } from './grammar'
import { readLayer } from './read-layer'

export const layer = defineGrammar<'layer'>({
  family: 'binding',
  group: 'layers',
  write: ({ layer: number, how }, context) => `${capitalise(how)} layer ${layerName(number, context)}`,
  phrasesIn: ({ layers }) =>
    layers.slice(1).flatMap(({ name }, index): Phrase[] =>
      (['hold', 'switch'] as const).map((how) => ({
        text: `${capitalise(how)} layer ${name}`,
        words: [`${how} layer ${name}`.toLowerCase(), `${how} ${name}`.toLowerCase()],
        action: { kind: 'layer', layer: index + 1, how },
        note: how === 'hold' ? 'while held' : 'toggled',
      })),
    ),
  read: ({ raw, text }, context) => readLayer(raw, text, context),
})
