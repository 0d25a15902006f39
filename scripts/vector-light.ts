import { tag, type Case } from './vector-parts'

/** Images with light: section 9, and section 5 as images up to 1.1 have it. */
export const LIGHT_CASES: Record<string, Case> = {
  'stack-empty': { about: 'a stack without an effect: dark', image: [[9, [0]]] },
  'stack-plain': { about: 'solid on all lights, always', image: [[9, [1, tag(1, 4), 0, 1, 2, 3]]] },
  'stack-lights': {
    about: 'breathing on lights 3, 17 and 30, at 40 percent, added',
    image: [[9, [1, tag(2, 7), 11, 13, 0x43, 3, 14, 13, 40, 9, 8, 7, 200, 1]]],
  },
  'stack-bits': {
    about: 'solid on lights 0 to 8 by their bits',
    image: [[9, [1, tag(1, 7), 7, 1, 2, 0xff, 1, 5, 6, 7]]],
  },
  'stack-when': {
    about: 'blink on zone 1 while the battery is under 15 percent',
    image: [[9, [1, tag(5, 7), 7, 3, 0x82, tag(5, 1), 15, 255, 0, 0]]],
  },
  'stack-later-effect': { about: 'an effect of a later version: kept', image: [[9, [1, tag(29, 2), 0, 9]]] },
  'stack-later-when': {
    about: 'a condition of a later version: the entry is kept and shows nothing',
    image: [[9, [1, tag(1, 6), 2, tag(29, 1), 0, 1, 2, 3]]],
  },
  'stack-grown': { about: 'an effect with a byte more', image: [[9, [1, tag(1, 6), 0, 1, 2, 3, 50, 99]]] },
  'stack-flags': {
    about: 'a flag of a later version: kept, shows nothing',
    image: [[9, [1, tag(1, 4), 16, 1, 2, 3]]],
  },
  'stack-opaque-0': {
    about: 'an opacity of nothing: kept, shows nothing',
    image: [[9, [1, tag(1, 5), 4, 0, 1, 2, 3]]],
  },
  'stack-17': {
    about: 'more effects than there can be',
    image: [[9, [17, ...Array.from({ length: 17 }, () => [0, 0]).flat()]]],
  },
  'stack-fewer': { about: 'fewer effects than it says', image: [[9, [2, tag(0, 1), 0]]] },
  'stack-over-zones': {
    about: 'sections 5 and 9: 9 counts',
    image: [
      [5, [0, 1, tag(0, 0)]],
      [9, [0]],
    ],
  },
  'stack-names': {
    about: 'a name of an effect',
    image: [
      [9, [1, tag(0, 1), 0]],
      [15, [0, 4, 84, 105, 100, 101]],
    ],
  },
  'light-solid': { about: 'one zone, solid', image: [[5, [0, 1, tag(1, 4), 60, 1, 2, 3]]] },
  'light-breathing': { about: 'breathing every 4 s', image: [[5, [0, 1, tag(2, 5), 60, 80, 1, 2, 3]]] },
  'light-cycle-step-off': {
    about: 'cycle over the step colour over off: the top one shows',
    image: [[5, [0, 3, tag(3, 2), 60, 80, tag(4, 1), 70, tag(0, 0)]]],
  },
  'light-none': { about: 'a stack of nothing is dark', image: [[5, [0, 0]]] },
  'light-later': {
    about: 'an effect of a later version over one that is known: that one shows',
    image: [[5, [0, 2, tag(9, 1), 5, tag(1, 4), 50, 1, 2, 3]]],
  },
  'light-grown': { about: 'an effect with a byte more', image: [[5, [0, 1, tag(1, 5), 50, 1, 2, 3, 99]]] },
  'light-too-bright': { about: '255 percent: kept, and dark', image: [[5, [0, 1, tag(1, 4), 255, 1, 2, 3]]] },
  'light-too-fast': { about: 'a period of nothing: kept, and dark', image: [[5, [0, 1, tag(3, 2), 60, 0]]] },
  'light-twice': { about: 'a zone twice', image: [[5, [0, 0, 0, 0]]] },
  'light-fewer': { about: 'fewer effects than it says', image: [[5, [0, 2, 0]]] },
}
