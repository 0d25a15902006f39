import type { MessageKey } from '../../messages/message'

export type CommandScope = 'everywhere' | 'profile' | 'sheet' | 'macro' | 'list'

/** Where commands and keys work, with their views; `:profile` is the open profile. */
export const COMMAND_SCOPES: Record<CommandScope, { title: MessageKey; path?: string }> = {
  everywhere: {
    title: 'shared.everywhere',
  },
  profile: {
    title: 'shared.inAProfile',
  },
  sheet: {
    title: 'shared.inTheBindingSheet',
    path: '/profile/:profile/buttons',
  },
  macro: {
    title: 'shared.inMacroEvents',
  },
  list: {
    title: 'shared.inTheLibrary',
    path: '/library',
  },
}
