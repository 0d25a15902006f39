/** Areas of the first screen: few bytes, since nothing is drawn before they are there. */
export const FIRST_AREAS = ['devices', 'faults', 'look', 'shared', 'shell'] as const

/** Areas that every view needs, loaded with the first devices and documents. */
export const COMMON_AREAS = [
  'checks',
  'differences',
  'edits',
  'effects',
  'files',
  'find',
  'move',
  'parse',
  'images',
  'link',
  'problems',
  'sheet',
  'starters',
  'stores',
] as const
