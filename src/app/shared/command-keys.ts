import { commandWords, type CommandId } from './command-list'

/** What is a key of a sheet or a list alone: that sheet asks for it, and nothing does it by name. */
export const isKeyAlone = (id: CommandId): boolean => {
  const { where, keys } = commandWords(id)
  return keys !== undefined && where !== 'everywhere' && where !== 'profile'
}

const NAMED: Record<string, string> = { Space: ' ' }

/** Whether a key event is one of the ways a command has by key. */
export function pressed(event: KeyboardEvent, id: CommandId): boolean {
  return waysOf(id).some((parts) => {
    const key = parts.at(-1) ?? ''
    const has = (modifier: string) => parts.slice(0, -1).includes(modifier)
    // A character takes the Shift it takes on a layout.
    const shifts = event.shiftKey === has('Shift') || !/^[A-Z]$/.test(key)
    if (has('Ctrl') !== (event.ctrlKey || event.metaKey) || has('Alt') !== event.altKey || !shifts)
      return false
    return /^[A-Z]$/.test(key) ? event.code === `Key${key}` : event.key === (NAMED[key] ?? key)
  })
}

/** What is printed on a key, as the component library's `v-hotkey` wants it told; `meta` is Ctrl, and ⌘ on a Mac. */
export const KEY_SIGNS: Record<string, { default: { text: string }; mac?: { text: string } }> = {
  meta: { default: { text: 'Ctrl' }, mac: { text: '⌘' } },
  shift: { default: { text: 'Shift' }, mac: { text: '⇧' } },
  alt: { default: { text: 'Alt' }, mac: { text: '⌥' } },
  arrowleft: { default: { text: '←' } },
  arrowright: { default: { text: '→' } },
  arrowup: { default: { text: '↑' } },
  arrowdown: { default: { text: '↓' } },
  arrows: { default: { text: 'Arrows' } },
  delete: { default: { text: 'Del' } },
  backspace: { default: { text: 'Backspace' } },
  home: { default: { text: 'Home' } },
  end: { default: { text: 'End' } },
  pageup: { default: { text: 'Page Up' } },
  pagedown: { default: { text: 'Page Down' } },
  enter: { default: { text: 'Enter' } },
  escape: { default: { text: 'Esc' } },
  ' ': { default: { text: 'Space' } },
}
const isMac = /macintosh/i.test('navigator' in globalThis ? navigator.userAgent : '')

/** A key as `v-hotkey` spells it. */
const HOTKEYS: Record<string, string> = { Ctrl: 'meta', Space: ' ' }
const hotkeyOf = (key: string): string => HOTKEYS[key] ?? key.toLowerCase()

function signOf(key: string): string {
  const signs = KEY_SIGNS[hotkeyOf(key)]
  return ((isMac && signs?.mac) || signs?.default)?.text ?? key
}

const waysOf = (id: CommandId): string[][] =>
  commandWords(id)
    .keys?.split(' or ')
    .map((way) => way.split(' ')) ?? []

/** The keys of a command for `v-hotkey`, a way each. */
export const hotkeysOf = (id: CommandId): string[] => waysOf(id).map((way) => way.map(hotkeyOf).join('+'))

/** The keys as they are shown, a way each. */
export const keysShown = (id: CommandId): string[] => waysOf(id).map((way) => way.map(signOf).join(' '))
