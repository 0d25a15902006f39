import { withTexts } from '../../messages/page'
import { commandTexts, type CommandId } from './command-list'

/** Keys that only work in a sheet or a list, which handles them itself. */
export const isKeyAlone = (id: CommandId): boolean => {
  const { where, keys } = commandTexts(id)
  return keys !== undefined && where !== 'everywhere' && where !== 'profile'
}

const NAMED: Record<string, string> = { Space: ' ' }

/** Whether a key event matches one of a command's shortcuts. */
export function matchesShortcut(event: KeyboardEvent, id: CommandId): boolean {
  return waysOf(id).some((parts) => {
    const key = parts.at(-1) ?? ''
    const has = (modifier: string) => parts.slice(0, -1).includes(modifier)
    // A character includes the Shift that its layout needs.
    const shifts = event.shiftKey === has('Shift') || !/^[A-Z]$/.test(key)
    if (has('Ctrl') !== (event.ctrlKey || event.metaKey) || has('Alt') !== event.altKey || !shifts)
      return false
    return /^[A-Z]$/.test(key) ? event.code === `Key${key}` : event.key === (NAMED[key] ?? key)
  })
}

/** Legends of keys for the component library's `v-hotkey`; `meta` is Ctrl, and ⌘ on a Mac. */
export const KEY_SIGNS: Record<string, { default: { text: string }; mac?: { text: string } }> = {
  meta: {
    default: withTexts({}, { text: 'shared.ctrl' }),
    mac: { text: '⌘' },
  },
  shift: {
    default: withTexts({}, { text: 'shared.shift' }),
    mac: { text: '⇧' },
  },
  alt: {
    default: withTexts({}, { text: 'shared.alt' }),
    mac: { text: '⌥' },
  },
  arrowleft: { default: { text: '←' } },
  arrowright: { default: { text: '→' } },
  arrowup: { default: { text: '↑' } },
  arrowdown: { default: { text: '↓' } },
  arrows: {
    default: withTexts({}, { text: 'shared.arrows' }),
  },
  delete: {
    default: withTexts({}, { text: 'shared.del' }),
  },
  backspace: {
    default: withTexts({}, { text: 'shared.backspace' }),
  },
  home: {
    default: withTexts({}, { text: 'shared.home' }),
  },
  end: {
    default: withTexts({}, { text: 'shared.end' }),
  },
  pageup: {
    default: withTexts({}, { text: 'shared.pageUp' }),
  },
  pagedown: {
    default: withTexts({}, { text: 'shared.pageDown' }),
  },
  enter: {
    default: withTexts({}, { text: 'shared.enter' }),
  },
  escape: {
    default: withTexts({}, { text: 'shared.esc' }),
  },
  ' ': {
    default: withTexts({}, { text: 'shared.space' }),
  },
}
const isMac = /macintosh/i.test('navigator' in globalThis ? navigator.userAgent : '')

/** A key in the spelling of `v-hotkey`. */
const HOTKEYS: Record<string, string> = { Ctrl: 'meta', Space: ' ' }
const hotkeyOf = (key: string): string => HOTKEYS[key] ?? key.toLowerCase()

function signOf(key: string): string {
  const signs = KEY_SIGNS[hotkeyOf(key)]
  return ((isMac && signs?.mac) || signs?.default)?.text ?? key
}

const waysOf = (id: CommandId): string[][] =>
  commandTexts(id)
    .keys?.split(' or ')
    .map((way) => way.split(' ')) ?? []

/** The shortcuts of a command for `v-hotkey`, one each. */
export const hotkeysOf = (id: CommandId): string[] => waysOf(id).map((way) => way.map(hotkeyOf).join('+'))

/** The shortcuts as text, one each. */
export const shortcutTexts = (id: CommandId): string[] => waysOf(id).map((way) => way.map(signOf).join(' '))
