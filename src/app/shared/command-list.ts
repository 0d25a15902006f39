import { keysOf } from '../../core/base/tables'

export type Where = 'everywhere' | 'profile' | 'sheet' | 'macro' | 'list'

/** Where a command, or a key, does something, and the view that is in; `:profile` is the profile that is open. */
export const WHERE: Record<Where, { title: string; path?: string }> = {
  everywhere: { title: 'Everywhere' },
  profile: { title: 'In a profile' },
  sheet: { title: 'In the binding sheet', path: '/profile/:profile/buttons' },
  macro: { title: 'In the events of a macro' },
  list: { title: 'In the library', path: '/library' },
}

interface CommandWords {
  /** As menus and Find have it. */
  text: string
  where: Where
  about?: string
  /** What people call it as well. */
  words?: string
  /** Modifiers and a key, parted by spaces: `Ctrl Shift Z`; several ways parted by ` or `. */
  keys?: string
  /** The view that has it, where it is another than that of its kind. */
  path?: string
}

const OPEN = '/profile/:profile'

/**
 * Everything that can be done by name or by key, once: Find, menus, keys and the list of keys take it from here. What a
 * command does is told by who can do it ({@link useCommands}); a new one is a line here and a function there.
 */
export const COMMANDS = {
  find: { text: 'Find anything', where: 'everywhere', keys: 'Ctrl K', words: 'search commands palette' },
  keys: {
    text: 'Keys and shortcuts',
    where: 'everywhere',
    about: 'all of them, by where they work',
    keys: 'F1',
    words: 'help keyboard shortcut list manual how',
  },
  help: {
    text: 'Help for this view',
    where: 'everywhere',
    about: 'what it is for, shown step by step, words of the trade',
    keys: '?',
    words: 'manual how guide tutorial glossary explain question',
  },
  tour: {
    text: 'The tour',
    where: 'everywhere',
    about: 'five steps through Unisera',
    words: 'introduction begin start first help',
  },
  undo: { text: 'Undo', where: 'everywhere', keys: 'Ctrl Z', words: 'revert step back' },
  redo: { text: 'Redo', where: 'everywhere', keys: 'Ctrl Shift Z', words: 'again' },
  theme: {
    text: 'Change the theme',
    where: 'everywhere',
    about: 'light or dark',
    words: 'dark light colours mode appearance',
  },
  'lights.move': {
    text: 'Lights move, or rest',
    where: 'everywhere',
    about: 'in all drawings',
    words: 'pause play stop animation motion',
  },
  'library.open': {
    text: 'Open a file…',
    where: 'list',
    about: 'a profile, or the picture of a cheat sheet',
    words: 'import load upload add',
  },
  'library.search': {
    text: 'Search profiles',
    where: 'list',
    words: 'filter name tag',
  },
  'backup.save': {
    text: 'Save everything as a file',
    where: 'everywhere',
    about: 'a backup: one ZIP',
    words: 'export backup archive zip all',
    path: '/settings',
  },
  'backup.restore': {
    text: 'Bring in a backup…',
    where: 'everywhere',
    words: 'import restore archive zip library',
    path: '/settings',
  },
  'settings.search': {
    text: 'Search settings',
    where: 'everywhere',
    words: 'preferences options',
    path: '/settings',
  },
  'profile.write': {
    text: 'Write to the slot',
    where: 'profile',
    words: 'save device store onboard memory flash',
  },
  'profile.rename': { text: 'Rename…', where: 'profile', words: 'name title' },
  'profile.tags': { text: 'Tags and rules…', where: 'profile', words: 'tournament label fair play' },
  'profile.duplicate': { text: 'Duplicate', where: 'profile', words: 'copy clone' },
  'profile.new': { text: 'New profile', where: 'profile', words: 'create add factory' },
  'profile.mirror': {
    text: 'Mirror for the other hand',
    where: 'profile',
    words: 'left right handed swap flip',
  },
  'profile.move': {
    text: 'Copy to another model…',
    where: 'profile',
    words: 'move convert other device mouse keyboard',
  },
  'profile.share': { text: 'Share…', where: 'profile', words: 'link qr send export' },
  'profile.save': { text: 'Save as a file', where: 'profile', words: 'export download json' },
  'profile.factory': {
    text: 'Reset parts to the factory…',
    where: 'profile',
    words: 'default restore clear layer motion light buttons',
  },
  'profile.delete': { text: 'Delete', where: 'profile', words: 'remove trash bin' },
  'profile.sheet': {
    text: 'Cheat sheet',
    where: 'profile',
    about: 'one page to print',
    words: 'print pdf picture png svg overview',
    path: `${OPEN}/cheat-sheet`,
  },
  'profile.compare': {
    text: 'Compare with others',
    where: 'profile',
    about: 'slots, files, starters, the factory, earlier states',
    words: 'difference diff history restore starters factory reset',
    path: `${OPEN}/compare`,
  },
  'profile.computer': {
    text: 'The computer it is for',
    where: 'profile',
    about: 'system and keyboard layout',
    words: 'language layout windows macos linux qwerty azerty qwertz',
    path: `${OPEN}/buttons`,
  },
  'profile.slot-keys': {
    text: 'Next slot by two inputs…',
    where: 'profile',
    words: 'switch profile on the device combination hold',
  },
  'macro.new': { text: 'New macro', where: 'everywhere', words: 'create record sequence', path: '/macros' },
  'macro.open': {
    text: 'Open macros…',
    where: 'everywhere',
    about: 'a file of macros, JSON or CSV',
    words: 'import load bring in',
    path: '/macros',
  },
  'device.add': {
    text: 'Add a device…',
    where: 'everywhere',
    about: 'a simulated one, of any model',
    words: 'second mouse keyboard simulate new',
    path: '/devices',
  },
  'device.rename': {
    text: 'Name the device…',
    where: 'everywhere',
    words: 'rename call label',
    path: '/devices',
  },
  'device.reset': {
    text: 'Reset the device…',
    where: 'everywhere',
    about: 'a slot, or all of it, to the factory',
    words: 'factory erase wipe clear default',
    path: '/devices',
  },
  'device.battery': {
    text: 'Life of the battery…',
    where: 'everywhere',
    words: 'charge cycles hours left capacity power health',
    path: '/devices',
  },
  'device.firmware': {
    text: 'Firmware…',
    where: 'everywhere',
    about: 'update a device',
    words: 'update upgrade version flash',
    path: '/devices',
  },
  'device.remove': {
    text: 'Take the device away…',
    where: 'everywhere',
    words: 'remove delete simulated',
    path: '/devices',
  },
  'macro.json': {
    text: 'Save the macros as JSON',
    where: 'everywhere',
    about: 'those that are shown',
    words: 'export file download',
    path: '/macros',
  },
  'macro.csv': {
    text: 'Save the macros as CSV',
    where: 'everywhere',
    about: 'those that are shown',
    words: 'export file download table spreadsheet',
    path: '/macros',
  },
  'layer.add': {
    text: 'Add a layer…',
    where: 'profile',
    words: 'shift fn second level new',
    path: `${OPEN}/buttons`,
  },
  'input.point': {
    text: 'Find an input by pressing it',
    where: 'profile',
    words: 'which button identify',
    path: `${OPEN}/buttons`,
  },
  'cell.edit': { text: 'Edit the cell', where: 'sheet', keys: 'Enter or F2 or Space' },
  'cell.capture': {
    text: 'Capture a key or chord',
    where: 'sheet',
    about: 'while a cell is edited',
    keys: 'F9',
    words: 'record press',
  },
  'cell.fill': { text: 'Fill the selected cells', where: 'sheet', keys: 'Ctrl D', words: 'down copy' },
  'cell.clear': {
    text: 'Clear the selected cells',
    where: 'sheet',
    keys: 'Delete or Backspace',
    words: 'factory reset default remove',
  },
  'cell.more': { text: 'Select more cells without Shift', where: 'sheet', keys: 'F8' },
  'cell.all': { text: 'Select all cells', where: 'sheet', keys: 'Ctrl A' },
  'cell.copy': { text: 'Copy, cut and paste cells', where: 'sheet', keys: 'Ctrl C or Ctrl X or Ctrl V' },
  'cell.move': {
    text: 'Move; with Shift, select',
    where: 'sheet',
    keys: 'Arrows or Home or End or PageUp or PageDown',
  },
  'events.earlier': { text: 'Chosen events earlier', where: 'macro', keys: 'Alt ArrowLeft' },
  'events.later': { text: 'Chosen events later', where: 'macro', keys: 'Alt ArrowRight' },
  'events.copy': { text: 'Copy events', where: 'macro', keys: 'Ctrl C' },
  'events.cut': { text: 'Cut events', where: 'macro', keys: 'Ctrl X' },
  'events.paste': { text: 'Paste events', where: 'macro', keys: 'Ctrl V' },
  'events.duplicate': { text: 'Duplicate events', where: 'macro', keys: 'Ctrl D' },
  'events.all': { text: 'Choose all events', where: 'macro', keys: 'Ctrl A' },
  'events.remove': { text: 'Delete events', where: 'macro', keys: 'Delete or Backspace' },
  'events.none': { text: 'Choose none', where: 'macro', keys: 'Escape' },
  'events.zoom-in': { text: 'Zoom in on the timeline', where: 'macro', keys: '+ or =' },
  'events.zoom-out': { text: 'Zoom out of the timeline', where: 'macro', keys: '-' },
  'events.fit': { text: 'Show the whole timeline', where: 'macro', keys: '0' },
  'row.up': { text: 'Move the profile up', where: 'list', keys: 'Alt ArrowUp' },
  'row.down': { text: 'Move the profile down', where: 'list', keys: 'Alt ArrowDown' },
} as const satisfies Record<string, CommandWords>

export type CommandId = keyof typeof COMMANDS
export const commandWords = (id: CommandId): CommandWords => COMMANDS[id]
export const commandIds = (): CommandId[] => keysOf(COMMANDS)

/** The address of the view a command is in, or undefined where it has none, or needs a profile and none is open. */
export function pathOf(id: CommandId, profile: string | undefined): string | undefined {
  const { path, where } = commandWords(id)
  const wanted = path ?? WHERE[where].path
  if (!wanted?.includes(':profile')) return wanted
  return profile === undefined ? undefined : wanted.replace(':profile', profile)
}
