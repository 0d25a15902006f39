import { firstItems } from '../base/items'
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
  label: string
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
const table: [number: number, id: string, label: string, keys: Shortcut['keys'], ...words: string[]][] = [
  [1, 'copy', 'Copy', command('KeyC')],
  [2, 'cut', 'Cut', command('KeyX')],
  [3, 'paste', 'Paste', command('KeyV')],
  [
    ...([4, 'pastePlain', 'Paste as plain text'] as const),
    each(keys('KeyV', C, S), keys('KeyV', S, A, M), keys('KeyV', C, S)),
    'paste plain',
    'paste without formatting',
  ],
  [5, 'undo', 'Undo', command('KeyZ')],
  [
    ...([6, 'redo', 'Redo'] as const),
    each(keys('KeyY', C), keys('KeyZ', S, M), keys('KeyZ', C, S)),
    'redo last',
  ],
  [7, 'selectAll', 'Select all', command('KeyA'), 'select everything'],
  [8, 'find', 'Find in page', command('KeyF'), 'find', 'find text'],
  [9, 'findNext', 'Find next', each(keys('F3'), keys('KeyG', M), keys('KeyG', C))],
  [10, 'replace', 'Find and replace', each(keys('KeyH', C), keys('KeyF', A, M), keys('KeyH', C)), 'replace'],
  [11, 'save', 'Save', command('KeyS'), 'save file'],
  [12, 'saveAs', 'Save as', command('KeyS', S)],
  [13, 'openFile', 'Open a file', command('KeyO'), 'open dialog'],
  [14, 'newFile', 'New document', command('KeyN'), 'new file'],
  [15, 'print', 'Print', command('KeyP')],
  [16, 'bold', 'Bold', command('KeyB')],
  [17, 'italic', 'Italic', command('KeyI'), 'italics'],
  [18, 'underline', 'Underline', command('KeyU')],
  [19, 'newTab', 'New tab', command('KeyT')],
  [20, 'closeTab', 'Close tab', command('KeyW')],
  [21, 'reopenTab', 'Reopen tab', command('KeyT', S), 'reopen closed tab'],
  [22, 'nextTab', 'Next tab', each(keys('Tab', C), keys('Tab', C), keys('Tab', C))],
  [23, 'previousTab', 'Previous tab', each(keys('Tab', C, S), keys('Tab', C, S), keys('Tab', C, S))],
  [24, 'zoomIn', 'Zoom in', command('Equal'), 'larger'],
  [25, 'zoomOut', 'Zoom out', command('Minus'), 'smaller'],
  [26, 'zoomReset', 'Reset zoom', command('Digit0'), 'zoom reset', 'actual size'],
  [
    ...([27, 'wordLeft', 'Word to the left'] as const),
    each(keys('ArrowLeft', C), keys('ArrowLeft', A), keys('ArrowLeft', C)),
    'word left',
  ],
  [
    ...([28, 'wordRight', 'Word to the right'] as const),
    each(keys('ArrowRight', C), keys('ArrowRight', A), keys('ArrowRight', C)),
    'word right',
  ],
  [
    ...([29, 'deleteWord', 'Delete a word'] as const),
    each(keys('Backspace', C), keys('Backspace', A), keys('Backspace', C)),
    'delete word',
  ],
  [
    ...([30, 'documentStart', 'Start of document'] as const),
    each(keys('Home', C), keys('ArrowUp', M), keys('Home', C)),
    'go to top',
  ],
  [
    ...([31, 'documentEnd', 'End of document'] as const),
    each(keys('End', C), keys('ArrowDown', M), keys('End', C)),
    'go to end',
  ],
  [
    40,
    'switchWindow',
    'Switch window',
    each(keys('Tab', A), keys('Tab', M), keys('Tab', A)),
    'switch program',
  ],
  [
    ...([41, 'allWindows', 'All windows'] as const),
    each(keys('Tab', M), keys('ArrowUp', C), keys('MetaLeft')),
    'show all windows',
    'overview',
  ],
  [...([42, 'showDesktop', 'Show desktop'] as const), each(keys('KeyD', M), keys('F11')), 'desktop'],
  [
    ...([43, 'closeWindow', 'Close window'] as const),
    each(keys('F4', A), keys('KeyW', S, M), keys('F4', A)),
    'close program',
  ],
  [
    ...([44, 'minimise', 'Minimise window'] as const),
    { macos: keys('KeyM', M), linux: keys('KeyH', M) },
    'minimize window',
    'minimise',
    'minimize',
  ],
  [
    ...([45, 'fullScreen', 'Full screen'] as const),
    each(keys('F11'), keys('KeyF', C, M), keys('F11')),
    'fullscreen',
  ],
  [
    ...([46, 'nextDesktop', 'Next desktop'] as const),
    each(keys('ArrowRight', C, M), keys('ArrowRight', C), keys('PageDown', M)),
    'next workspace',
  ],
  [
    ...([47, 'previousDesktop', 'Previous desktop'] as const),
    each(keys('ArrowLeft', C, M), keys('ArrowLeft', C), keys('PageUp', M)),
    'previous workspace',
  ],
  [
    48,
    'lockScreen',
    'Lock the screen',
    each(keys('KeyL', M), keys('KeyQ', C, M), keys('KeyL', M)),
    'lock screen',
  ],
  [
    ...([49, 'screenshot', 'Screenshot'] as const),
    each(keys('PrintScreen', M), keys('Digit3', S, M), keys('PrintScreen', S)),
    'picture of the screen',
  ],
  [
    ...([50, 'screenshotPart', 'Screenshot of an area'] as const),
    each(keys('KeyS', S, M), keys('Digit4', S, M), keys('PrintScreen')),
    'screenshot area',
    'snip',
  ],
  [
    ...([51, 'fileManager', 'Show files'] as const),
    each(keys('KeyE', M), keys('Space', A, M)),
    'file manager',
  ],
  [
    ...([52, 'systemSearch', 'Search the computer'] as const),
    each(keys('KeyS', M), keys('Space', M), keys('MetaLeft')),
    'system search',
  ],
  [
    ...([53, 'emoji', 'Insert an emoji'] as const),
    each(keys('Period', M), keys('Space', C, M), keys('Period', C)),
    'emoji',
  ],
  [
    ...([54, 'taskManager', 'Task manager'] as const),
    each(keys('Escape', C, S), keys('Escape', A, M)),
    'running programs',
    'force quit',
  ],
  [55, 'addressBar', 'Address bar', command('KeyL'), 'go to address'],
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
