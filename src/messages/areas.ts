/** Areas of the first screen: few bytes, since nothing is drawn before they are loaded. */
export const FIRST_AREAS = ['devices', 'faults', 'look', 'shared', 'shell'] as const

/** Areas of the core, which creates messages without texts. */
export const CORE_AREAS = [
  'actions',
  'checks',
  'differences',
  'edits',
  'effects',
  'events',
  'find',
  'helper',
  'images',
  'link',
  'lists',
  'models',
  'move',
  'names',
  'parse',
  'problems',
  'sheet',
  'shortcuts',
  'starters',
] as const

/** Areas that every view needs, loaded before devices and documents are read. */
export const COMMON_AREAS = [...CORE_AREAS, 'files', 'stores'] as const
