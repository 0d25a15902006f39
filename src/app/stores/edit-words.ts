import { worded } from '../../core/base/tables'
import { itemAt } from '../../core/base/items'
import { fixText, type FixKey } from '../../core/checks/words'
import { SYSTEM_NAMES, type OperatingSystem } from '../../core/computer/shortcuts'
import { SETTINGS } from '../../core/document/device-settings'
import type { Hand } from '../../core/document/schema'
import type { DeviceSettings } from '../../core/onboard/settings'
import type { HistoryEntry } from '../database/library-database'

/** What edits are called, by their keys and facts, for undo and for what could not be stored: the one place of a language. */
export const EDIT_WORDS = {
  rename: () => 'rename',
  tags: () => 'tags',
  'tags-and-rules': () => 'tags and rules',
  hand: ({ hand }: { hand: Hand }) => `for the ${hand} hand`,
  mirror: () => 'mirror for the other hand',
  computer: () => 'computer it is for',
  system: ({ system }: { system: OperatingSystem }) => `made for ${SYSTEM_NAMES[system]}`,
  factory: () => 'reset to the factory',
  'take-from': ({ title }: { title: string }) => `take from ${title}`,
  fix: (fix: { key: FixKey; facts: unknown }) => fixText(fix),

  bind: ({ cell, does }: { cell: string; does: string }) => `${cell} to ${does}`,
  words: ({ cell }: { cell: string }) => `words of ${cell}`,
  clear: ({ cells }: { cells: string[] }) => `clear ${cellsText(cells)}`,
  fill: ({ cells }: { cells: number }) => `fill ${cells} cells`,
  swap: ({ cells: [one, other] }: { cells: [string, string] }) => `swap ${one} and ${other}`,
  'reset-inputs': ({ inputs }: { inputs: number }) => `reset ${inputs} ${inputs === 1 ? 'input' : 'inputs'}`,
  paste: ({ cells }: { cells: number }) => (cells === 1 ? 'paste' : `paste ${cells} cells`),
  drop: ({ cell }: { cell: string }) => `drop on ${cell}`,
  'slot-key': ({ input }: { input: string }) => `next slot by holding ${input}`,
  'add-layer': ({ layer }: { layer: string }) => `add layer ${layer}`,
  'rename-layer': () => 'rename layer',
  'remove-layer': ({ layer }: { layer: string }) => `remove layer ${layer}`,
  'move-layer': () => 'move layer',
  'layer-colour': () => 'layer colour',
  'layer-signal': () => 'layer signal',

  'add-step': () => 'add a step',
  step: ({ step }: { step: number }) => `step ${step}`,
  'step-dpi': ({ step, dpi }: { step: number; dpi: number }) => `step ${step} to ${dpi} DPI`,
  'move-step': ({ step }: { step: number }) => `move step ${step}`,
  'remove-step': ({ step }: { step: number }) => `remove step ${step}`,
  'default-step': ({ step }: { step: number }) => `step ${step} as default`,
  'hold-step': ({ step }: { step: number }) => `hold step ${step}`,
  'no-hold-step': () => 'no hold step',
  'step-colour': () => 'a colour that can be told apart',
  'spread-steps': () => 'steps spread evenly',
  'motion-starter': ({ starter }: { starter: string }) => `starter ${starter}`,
  polling: ({ rateHz }: { rateHz: number }) => `polling at ${rateHz} Hz`,
  settings: ({ settings }: { settings: DeviceSettings }) =>
    SETTINGS.flatMap(({ key, name, text }) => {
      const value = settings[key]
      return value === undefined ? [] : [`${name.toLowerCase()} ${text(value)}`]
    }).join(', '),

  'add-effect': ({ effect }: { effect: string }) => `${effect} on top`,
  effect: ({ effect, what }: { effect: string; what: string }) => `${effect}, ${what}`,
  'move-effect': ({ effect, place }: { effect: string; place: number }) => `${effect} to place ${place}`,
  'remove-effect': ({ effect }: { effect: string }) => `remove ${effect}`,
  'copy-effect': ({ effect }: { effect: string }) => `${effect} once more`,
  'light-starter': ({ starter, chosen }: { starter: string; chosen: boolean }) =>
    `${starter.toLowerCase()}${chosen ? ' on the chosen lights' : ''}`,

  record: () => 'record',
  'insert-events': ({ what }: { what: string }) => `insert ${what}`,
  'paste-events': () => 'paste',
  'remove-events': ({ events }: { events: number }) =>
    `delete ${events} ${events === 1 ? 'event' : 'events'}`,
  'copy-events': () => 'duplicate',
  'move-events': () => 'move',
  'stretch-event': () => 'stretch',
  'change-event': () => 'change an event',
  'change-key': () => 'change the key',
  'change-button': () => 'change the button',
  delay: ({ event }: { event: number }) => `delay before event ${event}`,
  'every-wait': () => 'every wait',
  scale: () => 'scale',
}

type EditKey = keyof typeof EDIT_WORDS
/** An edit by its key and what its words are made of. */
export type EditName = {
  [Key in EditKey]: [key: Key, ...facts: Parameters<(typeof EDIT_WORDS)[Key]>]
}[EditKey]

/** What an edit is called. Those of earlier versions were stored in words; one that a later version made has its key. */
export function editText(label: HistoryEntry['label']): string {
  if (typeof label === 'string') return label
  const [key, facts] = label
  return key in EDIT_WORDS ? worded(EDIT_WORDS, key, facts) : key
}

const cellsText = (cells: readonly string[]): string =>
  cells.length === 1 ? itemAt(cells, 0) : `${cells.length} cells`
