import { MODIFIER_CODES } from '../hid/keyboard-page'
import type { CommandKey } from './command-key'

/** A key as text, the same for equal keys: `ControlLeft+KeyV`, `button-4`, `wheel-up`. */
export function commandKeyId(key: CommandKey): string {
  switch (key.kind) {
    case 'key':
      return [
        ...MODIFIER_CODES.filter((each) => each !== key.code && key.modifiers.includes(each)),
        key.code,
      ].join('+')
    case 'button':
      return `button-${key.button}`
    case 'scroll':
      return `wheel-${key.direction}`
  }
}
