import { keysOf } from '../../core/base/tables'

/** Every setting of the application, once: the page, its search and Find take them from here. */
export const SETTINGS = {
  theme: { title: 'Theme', about: 'Light or dark paper', words: 'dark night mode appearance colours' },
  textSize: { title: 'Text size', about: 'Larger letters on both pages', words: 'font zoom bigger' },
  contrast: { title: 'Contrast', about: 'Stronger lines and text', words: 'accessibility readable' },
  lights: { title: 'Lights in drawings', about: 'They move, or rest', words: 'motion animation reduced' },
  lengths: {
    title: 'Lengths of the hand',
    about: 'Millimetres or inches',
    words: 'units cm metric imperial',
  },
  computer: {
    title: 'Computer of new profiles',
    about: 'The system and keyboard layout they are for',
    words: 'windows macos linux language keyboard qwerty azerty',
  },
  capture: {
    title: 'Key capture',
    about: 'How you press a chord such as Ctrl+Shift+V to capture it',
    words: 'one hand sticky modifiers accessibility chord shortcut record',
  },
  start: { title: 'Begin with', about: 'What opens first', words: 'home page last view startup' },
  notes: {
    title: 'Notes on the screen',
    about: 'A word when step, layer, slot, light or polling changes, in the try-out and on Unplugged',
    words: 'osd overlay popup sound beep',
  },
  notices: {
    title: 'Notices',
    about: 'What is said at the foot of the window by itself',
    words: 'notifications battery alerts messages',
  },
  said: {
    title: 'What was said',
    about: 'The last fifty notices',
    words: 'history log notifications messages',
  },
  storage: {
    title: 'What is kept in this browser',
    about: 'How much, how safely, and how much room is left',
    words: 'storage disk quota library persistent',
  },
  offline: {
    title: 'Offline use',
    about: 'Whether Unisera starts without a network',
    words: 'install app network airplane service worker',
  },
  backup: { title: 'Backup', about: 'One file for everything', words: 'export import archive zip restore' },
  support: {
    title: 'About and support',
    about: 'Version, licences, and what one would tell who helps',
    words: 'version licence help bug report diagnostics',
  },
  forget: {
    title: 'Forget everything',
    about: 'The library and all settings of this browser',
    words: 'delete erase reset clear data privacy',
  },
} as const satisfies Record<string, { title: string; about: string; words: string }>

export type SettingId = keyof typeof SETTINGS
export const settingIds = keysOf(SETTINGS)
