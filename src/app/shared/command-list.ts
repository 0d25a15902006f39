import type { MessageKey } from '../../messages/message'
import { t } from '../../messages/page'
import { COMMAND_SCOPES, type CommandScope } from './command-scopes'
import { keysOf } from '../../core/base/tables'

interface Command {
  /** As in menus and Find. */
  text: MessageKey
  where: CommandScope
  about?: MessageKey
  /** Other search words. */
  words?: string
  /** Modifiers and a key, separated by spaces: `Ctrl Shift Z`; alternatives separated by ` or `. */
  keys?: string
  /** The view of the command, if it is not that of its kind. */
  path?: string
}

const OPEN = '/profile/:profile'

/**
 * All commands by name and key, for Find, menus, shortcuts and the list of shortcuts. Components provide their
 * behaviour ({@link useCommands}); a new command is a line here and a function there.
 */
export const COMMANDS = {
  find: {
    text: 'shared.findAnything',
    where: 'everywhere',
    keys: 'Ctrl K',
    words: 'search commands palette',
  },
  keys: {
    text: 'shared.keysAndShortcuts',
    where: 'everywhere',
    about: 'shared.allShortcutsByWhereTheyWork',
    keys: 'F1',
    words: 'help keyboard shortcut list manual how',
  },
  help: {
    text: 'shared.helpForThisView',
    where: 'everywhere',
    about: 'shared.purposeStepByStepGuidesGlossary',
    keys: '?',
    words: 'manual how guide tutorial glossary explain question',
  },
  tour: {
    text: 'shared.startTheTour',
    where: 'everywhere',
    about: 'shared.fiveStepsThroughUnisera',
    words: 'introduction begin start first help',
  },
  undo: {
    text: 'shared.undo2',
    where: 'everywhere',
    keys: 'Ctrl Z',
    words: 'revert step back',
  },
  redo: {
    text: 'shared.redo2',
    where: 'everywhere',
    keys: 'Ctrl Shift Z',
    words: 'again',
  },
  theme: {
    text: 'shared.changeTheTheme',
    where: 'everywhere',
    about: 'shared.lightOrDark',
    words: 'dark light colours mode appearance',
  },
  'lights.move': {
    text: 'shared.moveOrStopLights',
    where: 'everywhere',
    about: 'shared.inAllDrawings',
    words: 'pause play stop animation motion',
  },
  'library.open': {
    text: 'shared.openAFile',
    where: 'list',
    about: 'shared.aProfileOrThePictureOfA',
    words: 'import load upload add',
  },
  'library.search': {
    text: 'shared.searchProfiles',
    where: 'list',
    words: 'filter name tag',
  },
  'backup.save': {
    text: 'shared.saveABackup',
    where: 'everywhere',
    about: 'shared.everythingInOneZipFile',
    words: 'export backup archive zip all',
    path: '/settings',
  },
  'backup.restore': {
    text: 'shared.importABackup',
    where: 'everywhere',
    words: 'import restore archive zip library',
    path: '/settings',
  },
  'settings.search': {
    text: 'shared.searchSettings',
    where: 'everywhere',
    words: 'preferences options',
    path: '/settings',
  },
  'profile.write': {
    text: 'shared.writeToSlot',
    where: 'profile',
    words: 'save device store onboard memory flash',
  },
  'profile.rename': {
    text: 'shared.rename2',
    where: 'profile',
    words: 'name title',
  },
  'profile.tags': {
    text: 'shared.tagsAndRules',
    where: 'profile',
    words: 'tournament label fair play',
  },
  'profile.duplicate': {
    text: 'shared.duplicate',
    where: 'profile',
    words: 'copy clone',
  },
  'profile.new': {
    text: 'shared.newProfile',
    where: 'profile',
    words: 'create add factory',
  },
  'profile.mirror': {
    text: 'shared.mirrorForTheOtherHand',
    where: 'profile',
    words: 'left right handed swap flip',
  },
  'profile.move': {
    text: 'shared.copyToAnotherModel',
    where: 'profile',
    words: 'move convert other device mouse keyboard',
  },
  'profile.share': {
    text: 'shared.share',
    where: 'profile',
    words: 'link qr send export',
  },
  'profile.save': {
    text: 'shared.exportAsAFile',
    where: 'profile',
    words: 'export download json',
  },
  'profile.factory': {
    text: 'shared.resetPartsToFactorySettings',
    where: 'profile',
    words: 'default restore clear layer motion light buttons',
  },
  'profile.delete': {
    text: 'shared.delete',
    where: 'profile',
    words: 'remove trash bin',
  },
  'profile.sheet': {
    text: 'shared.cheatSheet',
    where: 'profile',
    about: 'shared.onePageToPrint',
    words: 'print pdf picture png svg overview',
    path: `${OPEN}/cheat-sheet`,
  },
  'profile.compare': {
    text: 'shared.compareWithOthers',
    where: 'profile',
    about: 'shared.slotsFilesStartersFactorySettings',
    words: 'difference diff history restore starters factory reset',
    path: `${OPEN}/compare`,
  },
  'profile.computer': {
    text: 'shared.receivingComputer',
    where: 'profile',
    about: 'shared.operatingSystemAndKeyboardLayout',
    words: 'language layout windows macos linux qwerty azerty qwertz',
    path: `${OPEN}/buttons`,
  },
  'profile.slot-keys': {
    text: 'shared.twoInputsForTheNextSlot',
    where: 'profile',
    words: 'switch profile on the device combination hold',
  },
  'macro.new': {
    text: 'shared.newMacro',
    where: 'everywhere',
    words: 'create record sequence',
    path: '/macros',
  },
  'macro.open': {
    text: 'shared.importMacros',
    where: 'everywhere',
    about: 'shared.aJsonOrCsvFileOfMacros',
    words: 'import load bring in',
    path: '/macros',
  },
  'device.add': {
    text: 'shared.addADevice',
    where: 'everywhere',
    about: 'shared.aSimulatedDeviceOfAnyModel',
    words: 'second mouse keyboard simulate new',
    path: '/devices',
  },
  'device.rename': {
    text: 'shared.renameTheDevice',
    where: 'everywhere',
    words: 'rename call label',
    path: '/devices',
  },
  'device.reset': {
    text: 'shared.resetTheDevice',
    where: 'everywhere',
    about: 'shared.oneSlotOrTheWholeDeviceTo',
    words: 'factory erase wipe clear default',
    path: '/devices',
  },
  'device.battery': {
    text: 'shared.batteryDetails',
    where: 'everywhere',
    words: 'charge cycles hours left capacity power health',
    path: '/devices',
  },
  'device.firmware': {
    text: 'shared.firmware',
    where: 'everywhere',
    about: 'shared.updateADevice',
    words: 'update upgrade version flash',
    path: '/devices',
  },
  'device.remove': {
    text: 'shared.removeTheDevice',
    where: 'everywhere',
    words: 'remove delete simulated',
    path: '/devices',
  },
  'macro.json': {
    text: 'shared.exportMacrosAsJson',
    where: 'everywhere',
    about: 'shared.macrosShownInTheList',
    words: 'export file download',
    path: '/macros',
  },
  'macro.csv': {
    text: 'shared.exportMacrosAsCsv',
    where: 'everywhere',
    about: 'shared.macrosShownInTheList',
    words: 'export file download table spreadsheet',
    path: '/macros',
  },
  'layer.add': {
    text: 'shared.addALayer',
    where: 'profile',
    words: 'shift fn second level new',
    path: `${OPEN}/buttons`,
  },
  'input.point': {
    text: 'shared.findAnInputByPressingIt',
    where: 'profile',
    words: 'which button identify',
    path: `${OPEN}/buttons`,
  },
  'cell.edit': {
    text: 'shared.editTheCell',
    where: 'sheet',
    keys: 'Enter or F2 or Space',
  },
  'cell.capture': {
    text: 'shared.captureAKeyOrChord',
    where: 'sheet',
    about: 'shared.whileEditingACell',
    keys: 'F9',
    words: 'record press',
  },
  'cell.fill': {
    text: 'shared.fillTheSelectedCells',
    where: 'sheet',
    keys: 'Ctrl D',
    words: 'down copy',
  },
  'cell.clear': {
    text: 'shared.clearTheSelectedCells',
    where: 'sheet',
    keys: 'Delete or Backspace',
    words: 'factory reset default remove',
  },
  'cell.more': {
    text: 'shared.selectMoreCellsWithoutShift',
    where: 'sheet',
    keys: 'F8',
  },
  'cell.all': {
    text: 'shared.selectAllCells',
    where: 'sheet',
    keys: 'Ctrl A',
  },
  'cell.copy': {
    text: 'shared.copyCutOrPasteCells',
    where: 'sheet',
    keys: 'Ctrl C or Ctrl X or Ctrl V',
  },
  'cell.move': {
    text: 'shared.moveSelectWithShift',
    where: 'sheet',
    keys: 'Arrows or Home or End or PageUp or PageDown',
  },
  'events.earlier': {
    text: 'shared.moveSelectedEventsEarlier',
    where: 'macro',
    keys: 'Alt ArrowLeft',
  },
  'events.later': {
    text: 'shared.moveSelectedEventsLater',
    where: 'macro',
    keys: 'Alt ArrowRight',
  },
  'events.copy': {
    text: 'shared.copyEvents',
    where: 'macro',
    keys: 'Ctrl C',
  },
  'events.cut': {
    text: 'shared.cutEvents',
    where: 'macro',
    keys: 'Ctrl X',
  },
  'events.paste': {
    text: 'shared.pasteEvents',
    where: 'macro',
    keys: 'Ctrl V',
  },
  'events.duplicate': {
    text: 'shared.duplicateEvents',
    where: 'macro',
    keys: 'Ctrl D',
  },
  'events.all': {
    text: 'shared.selectAllEvents',
    where: 'macro',
    keys: 'Ctrl A',
  },
  'events.remove': {
    text: 'shared.deleteEvents',
    where: 'macro',
    keys: 'Delete or Backspace',
  },
  'events.none': {
    text: 'shared.clearSelection',
    where: 'macro',
    keys: 'Escape',
  },
  'events.zoom-in': {
    text: 'shared.zoomInOnTheTimeline',
    where: 'macro',
    keys: '+ or =',
  },
  'events.zoom-out': {
    text: 'shared.zoomOutOfTheTimeline',
    where: 'macro',
    keys: '-',
  },
  'events.fit': {
    text: 'shared.showTheWholeTimeline',
    where: 'macro',
    keys: '0',
  },
  'row.up': {
    text: 'shared.moveTheProfileUp',
    where: 'list',
    keys: 'Alt ArrowUp',
  },
  'row.down': {
    text: 'shared.moveTheProfileDown',
    where: 'list',
    keys: 'Alt ArrowDown',
  },
} as const satisfies Record<string, Command>

export type CommandId = keyof typeof COMMANDS

type CommandWords = Omit<Command, 'text' | 'about'> & { text: string; about?: string }

/** A command with its text and explanation in the language of the page. */
export function commandTexts(id: CommandId): CommandWords {
  const command: Command = COMMANDS[id]
  const { text, about, ...rest } = command
  return { ...rest, text: t(text), ...(about && { about: t(about) }) }
}

export const commandIds = (): CommandId[] => keysOf(COMMANDS)

/** The address of a command's view, or undefined if it has none, or needs a profile and none is open. */
export function pathOf(id: CommandId, profile: string | undefined): string | undefined {
  const { path, where } = commandTexts(id)
  const wanted = path ?? COMMAND_SCOPES[where].path
  if (!wanted?.includes(':profile')) return wanted
  return profile === undefined ? undefined : wanted.replace(':profile', profile)
}
