import { firstItems } from '../base/items'
import { message, type Message } from '../message/message'
import { memoizeByObject } from '../base/memoize'
import { layoutFor, type LayoutId } from './layouts'
import type { LayoutOn } from './layouts/layout'
import type { OperatingSystem } from './operating-systems'

export { OPERATING_SYSTEMS, OPERATING_SYSTEM_NAMES, type OperatingSystem } from './operating-systems'

/**
 * The computer a profile is for. Devices cannot know it, so everything that depends on it is decided before writing.
 */
export interface TargetComputer {
  /** Not set yet: shortcuts and openings cannot become keys. */
  system?: OperatingSystem
  layout: LayoutId
}

export interface Chord {
  code: string
  modifiers: readonly string[]
}

export interface Shortcut {
  id: string
  /** Its number in images; never reused for another. */
  number: number
  label: Message
  words: readonly string[]
  /** Its keys on each system; missing where a system has no such shortcut. */
  keys: Partial<Record<OperatingSystem, Chord>>
}

const C = 'ControlLeft'
const S = 'ShiftLeft'
const A = 'AltLeft'
const M = 'MetaLeft'
const keys = (code: string, ...modifiers: string[]): Chord => ({ code, modifiers })
/** Control on Windows and Linux is Command on a Mac for most editing shortcuts. */
const command = (code: string, ...more: string[]): Shortcut['keys'] => ({
  windows: keys(code, C, ...more),
  macos: keys(code, ...more, M),
  linux: keys(code, C, ...more),
})
const each = (windows: Chord, macos: Chord, linux?: Chord): Shortcut['keys'] => ({
  windows,
  macos,
  ...(linux && { linux }),
})

/**
 * As listed in each system's own help for its standard desktop. Linux means GNOME with the defaults of its schemas
 * (gsettings-desktop-schemas), and its guidelines for programs. Shortcuts that a system does not have by default are
 * left out.
 */
const table: [number: number, id: string, label: Message, keys: Shortcut['keys'], ...words: string[]][] = [
  [1, 'copy', message('shortcuts.copy'), command('KeyC'), 'copy'],
  [2, 'cut', message('shortcuts.cut'), command('KeyX'), 'cut'],
  [3, 'paste', message('shortcuts.paste'), command('KeyV'), 'paste'],
  [
    4,
    'pastePlain',
    message('shortcuts.pasteAsPlainText'),
    each(keys('KeyV', C, S), keys('KeyV', S, A, M), keys('KeyV', C, S)),
    'paste as plain text',
    'paste plain',
    'paste without formatting',
  ],
  [5, 'undo', message('shortcuts.undo'), command('KeyZ'), 'undo'],
  [
    6,
    'redo',
    message('shortcuts.redo'),
    each(keys('KeyY', C), keys('KeyZ', S, M), keys('KeyZ', C, S)),
    'redo',
    'redo last',
  ],
  [7, 'selectAll', message('shortcuts.selectAll'), command('KeyA'), 'select all', 'select everything'],
  [8, 'find', message('shortcuts.findInPage'), command('KeyF'), 'find in page', 'find', 'find text'],
  [
    9,
    'findNext',
    message('shortcuts.findNext'),
    each(keys('F3'), keys('KeyG', M), keys('KeyG', C)),
    'find next',
  ],
  [
    10,
    'replace',
    message('shortcuts.findAndReplace'),
    each(keys('KeyH', C), keys('KeyF', A, M), keys('KeyH', C)),
    'find and replace',
    'replace',
  ],
  [11, 'save', message('shortcuts.save'), command('KeyS'), 'save', 'save file'],
  [12, 'saveAs', message('shortcuts.saveAs'), command('KeyS', S), 'save as'],
  [13, 'openFile', message('shortcuts.openAFile'), command('KeyO'), 'open a file', 'open dialog'],
  [14, 'newFile', message('shortcuts.newDocument'), command('KeyN'), 'new document', 'new file'],
  [15, 'print', message('shortcuts.print'), command('KeyP'), 'print'],
  [16, 'bold', message('shortcuts.bold'), command('KeyB'), 'bold'],
  [17, 'italic', message('shortcuts.italic'), command('KeyI'), 'italic', 'italics'],
  [18, 'underline', message('shortcuts.underline'), command('KeyU'), 'underline'],
  [19, 'newTab', message('shortcuts.newTab'), command('KeyT'), 'new tab'],
  [20, 'closeTab', message('shortcuts.closeTab'), command('KeyW'), 'close tab'],
  [21, 'reopenTab', message('shortcuts.reopenTab'), command('KeyT', S), 'reopen tab', 'reopen closed tab'],
  [
    22,
    'nextTab',
    message('shortcuts.nextTab'),
    each(keys('Tab', C), keys('Tab', C), keys('Tab', C)),
    'next tab',
  ],
  [
    23,
    'previousTab',
    message('shortcuts.previousTab'),
    each(keys('Tab', C, S), keys('Tab', C, S), keys('Tab', C, S)),
    'previous tab',
  ],
  [24, 'zoomIn', message('shortcuts.zoomIn'), command('Equal'), 'zoom in', 'larger'],
  [25, 'zoomOut', message('shortcuts.zoomOut'), command('Minus'), 'zoom out', 'smaller'],
  [
    26,
    'zoomReset',
    message('shortcuts.resetZoom'),
    command('Digit0'),
    'reset zoom',
    'zoom reset',
    'actual size',
  ],
  [
    27,
    'wordLeft',
    message('shortcuts.wordToTheLeft'),
    each(keys('ArrowLeft', C), keys('ArrowLeft', A), keys('ArrowLeft', C)),
    'word to the left',
    'word left',
  ],
  [
    28,
    'wordRight',
    message('shortcuts.wordToTheRight'),
    each(keys('ArrowRight', C), keys('ArrowRight', A), keys('ArrowRight', C)),
    'word to the right',
    'word right',
  ],
  [
    29,
    'deleteWord',
    message('shortcuts.deleteAWord'),
    each(keys('Backspace', C), keys('Backspace', A), keys('Backspace', C)),
    'delete a word',
    'delete word',
  ],
  [
    30,
    'documentStart',
    message('shortcuts.startOfDocument'),
    each(keys('Home', C), keys('ArrowUp', M), keys('Home', C)),
    'start of document',
    'go to top',
  ],
  [
    31,
    'documentEnd',
    message('shortcuts.endOfDocument'),
    each(keys('End', C), keys('ArrowDown', M), keys('End', C)),
    'end of document',
    'go to end',
  ],
  [
    40,
    'switchWindow',
    message('shortcuts.switchWindow'),
    each(keys('Tab', A), keys('Tab', M), keys('Tab', A)),
    'switch window',
    'switch program',
  ],
  [
    41,
    'allWindows',
    message('shortcuts.allWindows'),
    each(keys('Tab', M), keys('ArrowUp', C), keys('MetaLeft')),
    'all windows',
    'show all windows',
    'overview',
  ],
  [
    42,
    'showDesktop',
    message('shortcuts.showDesktop'),
    each(keys('KeyD', M), keys('F11')),
    'show desktop',
    'desktop',
  ],
  [
    43,
    'closeWindow',
    message('shortcuts.closeWindow'),
    each(keys('F4', A), keys('KeyW', S, M), keys('F4', A)),
    'close window',
    'close program',
  ],
  [
    44,
    'minimise',
    message('shortcuts.minimiseWindow'),
    { macos: keys('KeyM', M), linux: keys('KeyH', M) },
    'minimise window',
    'minimize window',
    'minimise',
    'minimize',
  ],
  [
    45,
    'fullScreen',
    message('shortcuts.fullScreen'),
    each(keys('F11'), keys('KeyF', C, M), keys('F11')),
    'full screen',
    'fullscreen',
  ],
  [
    46,
    'nextDesktop',
    message('shortcuts.nextDesktop'),
    each(keys('ArrowRight', C, M), keys('ArrowRight', C), keys('PageDown', M)),
    'next desktop',
    'next workspace',
  ],
  [
    47,
    'previousDesktop',
    message('shortcuts.previousDesktop'),
    each(keys('ArrowLeft', C, M), keys('ArrowLeft', C), keys('PageUp', M)),
    'previous desktop',
    'previous workspace',
  ],
  [
    48,
    'lockScreen',
    message('shortcuts.lockTheScreen'),
    each(keys('KeyL', M), keys('KeyQ', C, M), keys('KeyL', M)),
    'lock the screen',
    'lock screen',
  ],
  [
    49,
    'screenshot',
    message('shortcuts.screenshot'),
    each(keys('PrintScreen', M), keys('Digit3', S, M), keys('PrintScreen', S)),
    'screenshot',
    'picture of the screen',
  ],
  [
    50,
    'screenshotPart',
    message('shortcuts.screenshotOfAnArea'),
    each(keys('KeyS', S, M), keys('Digit4', S, M), keys('PrintScreen')),
    'screenshot of an area',
    'screenshot area',
    'snip',
  ],
  [
    51,
    'fileManager',
    message('shortcuts.showFiles'),
    each(keys('KeyE', M), keys('Space', A, M)),
    'show files',
    'file manager',
  ],
  [
    52,
    'systemSearch',
    message('shortcuts.searchTheComputer'),
    each(keys('KeyS', M), keys('Space', M), keys('MetaLeft')),
    'search the computer',
    'system search',
  ],
  [
    53,
    'emoji',
    message('shortcuts.insertAnEmoji'),
    each(keys('Period', M), keys('Space', C, M), keys('Period', C)),
    'insert an emoji',
    'emoji',
  ],
  [
    54,
    'taskManager',
    message('shortcuts.taskManager'),
    each(keys('Escape', C, S), keys('Escape', A, M)),
    'task manager',
    'running programs',
    'force quit',
  ],
  [55, 'addressBar', message('shortcuts.addressBar'), command('KeyL'), 'address bar', 'go to address'],
]

/** Editing and desktop shortcuts that can be bound by name. */
export const SHORTCUTS: readonly Shortcut[] = table.map(([number, id, label, spelled, ...words]) => ({
  id,
  number,
  label,
  words,
  keys: spelled,
}))

/**
 * The keys of a shortcut on a computer; undefined if its system has none by default or is not set. Systems identify
 * most shortcuts by the character of a key, so the key that types it on the layout must be pressed. If the character
 * needs Shift, only its key counts.
 */
export function chordOf(shortcut: Shortcut, { system, layout }: TargetComputer): Chord | undefined {
  const chord = system && shortcut.keys[system]
  return chord && { ...chord, code: keyTyping(chord.code, system, layout) }
}

function keyTyping(code: string, system: OperatingSystem, layout: LayoutId): string {
  const character =
    code === 'Equal' ? '+' : /^Key[A-Z]$/.test(code) ? code.slice(3).toLowerCase() : BY_CHARACTER[code]
  if (character === undefined) return code
  const [plain, shifted] = firstItems(keysByCharacter(layoutFor(layout, system)), 2)
  return plain.get(character) ?? shifted.get(character) ?? code
}

/** The first key that types a character without modifiers, then with Shift. */
const keysByCharacter = memoizeByObject(({ keys }: LayoutOn) => {
  const last = Object.entries(keys).reverse()
  const at = (level: number) => new Map(last.map(([code, levels]) => [levels[level], code]))
  return [at(0), at(1)]
})

const BY_CHARACTER: Record<string, string | undefined> = { Minus: '-', Period: '.' }

export const SHORTCUT_IDS: ReadonlySet<string> = new Set(SHORTCUTS.map(({ id }) => id))

/** The shortcut with an id from a profile, or undefined. */
export const shortcutById = (id: string): Shortcut | undefined => SHORTCUTS.find((each) => each.id === id)

/** The shortcut with a number from an image, or undefined. */
export const shortcutByNumber = (number: number): Shortcut | undefined =>
  SHORTCUTS.find((each) => each.number === number)
