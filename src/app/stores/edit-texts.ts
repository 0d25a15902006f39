import { t, textOf } from '../../messages/page'
import { formatMessage } from '../../core/base/tables'
import type { MessageFact } from '../../core/message/message'
import { itemAt } from '../../core/base/items'
import { fixMessage, type FixKey } from '../../core/checks/finding-messages'
import { OPERATING_SYSTEM_NAMES, type OperatingSystem } from '../../core/computer/shortcuts'
import { SETTINGS } from '../../core/document/device-settings'
import type { Hand } from '../../core/document/schema'
import type { DeviceSettings } from '../../core/onboard/settings'
import type { HistoryEntry } from '../database/library-database'

/** An effect by its name, or the name of its kind; earlier versions stored its text. */
interface OfEffect {
  effect: MessageFact
}

/** Texts of edits by their keys and facts, for undo and for problems of storage: the only place with their language. */
export const EDIT_TEXTS = {
  rename: () => 'rename',
  tags: () => 'tags',
  'tags-and-rules': () => t('stores.changeTagsAndRules'),
  hand: ({ hand }: { hand: Hand }) => t('stores.turnForTheHand', { hand }),
  mirror: () => t('stores.mirrorForTheOtherHand'),
  computer: () => t('stores.changeTheReceivingComputer'),
  system: ({ system }: { system: OperatingSystem }) =>
    t('stores.setTo', { system: OPERATING_SYSTEM_NAMES[system] }),
  factory: () => t('stores.resetToFactorySettings'),
  'take-from': ({ title }: { title: string }) => t('stores.copyFrom', { title }),
  fix: (fix: { key: FixKey; facts: unknown }) => textOf(fixMessage(fix)),

  bind: ({ cell, does }: { cell: MessageFact; does: MessageFact }) =>
    t('stores.setTo2', { cell, action: does }),
  words: ({ cell }: { cell: MessageFact }) => t('stores.changeTheTextsOf', { cell }),
  clear: ({ cells }: { cells: MessageFact[] }) => t('stores.clear', { cells: cellsText(cells.map(textOf)) }),
  fill: ({ cells }: { cells: number }) => t('stores.fillCells', { count: cells }),
  swap: ({ cells: [one, other] }: { cells: [MessageFact, MessageFact] }) =>
    t('stores.swapAnd', { one, other }),
  'reset-inputs': ({ inputs }: { inputs: number }) => t('stores.resetInput', { count: inputs }),
  paste: ({ cells }: { cells: number }) => t('stores.pasteCells', { count: cells }),
  drop: ({ cell }: { cell: MessageFact }) => t('stores.dropOn', { cell }),
  'slot-key': ({ input }: { input: string }) => t('stores.setTheNextSlotTo', { input }),
  'add-layer': ({ layer }: { layer: string }) => t('stores.addLayer', { layer }),
  'rename-layer': () => t('stores.renameLayer'),
  'remove-layer': ({ layer }: { layer: string }) => t('stores.removeLayer', { layer }),
  'move-layer': () => t('stores.moveLayer'),
  'layer-colour': () => t('stores.changeALayerColour'),
  'layer-signal': () => t('stores.changeALayerSignal'),

  'add-step': () => t('stores.addAStep'),
  step: ({ step }: { step: number }) => t('stores.changeStep', { step }),
  'step-dpi': ({ step, dpi }: { step: number; dpi: number }) => t('stores.setStepToDpi', { step, dpi }),
  'move-step': ({ step }: { step: number }) => t('stores.moveStep', { step }),
  'remove-step': ({ step }: { step: number }) => t('stores.removeStep', { step }),
  'default-step': ({ step }: { step: number }) => t('stores.makeStepTheDefault', { step }),
  'hold-step': ({ step }: { step: number }) => t('stores.setHoldStep', { step }),
  'no-hold-step': () => t('stores.removeAHoldStep'),
  'step-colour': () => t('stores.makeStepColoursDistinct'),
  'spread-steps': () => t('stores.spreadStepsEvenly'),
  'motion-starter': ({ starter }: { starter: MessageFact }) =>
    t('stores.applyStarter', { starter: textOf(starter) }),
  polling: ({ rateHz }: { rateHz: number }) => t('stores.setPollingToHz', { rateHz }),
  settings: ({ settings }: { settings: DeviceSettings }) =>
    SETTINGS.flatMap(({ key, name, text }) => {
      const value = settings[key]
      return value === undefined
        ? []
        : [t('stores.setSetting', { setting: textOf(name), value: textOf(text(value)) })]
    }).join(', '),

  'add-effect': ({ effect }: OfEffect) => t('stores.add', { effect: textOf(effect) }),
  effect: ({ effect, what }: OfEffect & { what: MessageFact }) =>
    t('stores.changeEffect', { effect: textOf(effect), change: textOf(what) }),
  'move-effect': ({ effect, place }: OfEffect & { place: number }) =>
    t('stores.moveToPlace', { effect: textOf(effect), place }),
  'remove-effect': ({ effect }: OfEffect) => t('stores.remove', { effect: textOf(effect) }),
  'copy-effect': ({ effect }: OfEffect) => t('stores.duplicate', { effect: textOf(effect) }),
  'light-starter': ({ starter, chosen }: { starter: MessageFact; chosen: boolean }) =>
    chosen
      ? t('stores.applyToSelectedLights', { starter: textOf(starter) })
      : t('stores.applyStarter', { starter: textOf(starter) }),

  record: () => 'record',
  'insert-events': ({ what }: { what: string }) => t('stores.insert', { what }),
  'paste-events': () => 'paste',
  'remove-events': ({ events }: { events: number }) => t('stores.deleteEvent', { count: events }),
  'copy-events': () => 'duplicate',
  'move-events': () => 'move',
  'stretch-event': () => 'stretch',
  'change-event': () => t('stores.changeAnEvent'),
  'change-key': () => t('stores.changeTheKey'),
  'change-button': () => t('stores.changeTheButton'),
  delay: ({ event }: { event: number }) => t('stores.changeTheDelayBeforeEvent', { event }),
  'every-wait': () => t('stores.setAllDelays'),
  scale: () => 'scale',
}

type EditKey = keyof typeof EDIT_TEXTS
/** An edit by its key and facts. */
export type EditName = {
  [Key in EditKey]: [key: Key, ...facts: Parameters<(typeof EDIT_TEXTS)[Key]>]
}[EditKey]

/** The text of an edit. Earlier versions stored texts; an edit from a later version only has its key. */
export function editText(label: HistoryEntry['label']): string {
  if (typeof label === 'string') return label
  const [key, facts] = label
  return key in EDIT_TEXTS ? formatMessage(EDIT_TEXTS, key, facts) : key
}

const cellsText = (cells: readonly string[]): string =>
  cells.length === 1 ? itemAt(cells, 0) : t('stores.cells', { count: cells.length })
