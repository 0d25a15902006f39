import { capital } from '../../base/names'
import { layerName } from '../context'
import { grammar, type Phrase } from './grammar'
import { readLayer } from './read-layer'

export const layer = grammar<'layer'>({
  family: 'binding',
  group: 'layers',
  write: ({ layer: number, how }, context) => `${capital(how)} layer ${layerName(number, context)}`,
  phrasesIn: ({ layers }) =>
    layers.slice(1).flatMap(({ name }, index): Phrase[] =>
      (['hold', 'switch'] as const).map((how) => ({
        text: `${capital(how)} layer ${name}`,
        words: [`${how} layer ${name}`.toLowerCase(), `${how} ${name}`.toLowerCase()],
        action: { kind: 'layer', layer: index + 1, how },
        note: how === 'hold' ? 'while it is held' : 'on, and off again',
      })),
    ),
  read: ({ raw, text }, context) => readLayer(raw, text, context),
})
