import { KEY_USAGES } from '../hid/keyboard-page'
import { isModifierUsage } from '../hid/modifiers'
import type { CommandKey } from './command-key'

/** The codes of all modifiers, in the order of their usages. */
export const MODIFIERS: readonly string[] = KEY_USAGES.filter(({ usage }) => isModifierUsage(usage)).map(
  ({ code }) => code,
)

/** A key as text, the same for equal keys: `ControlLeft+KeyV`, `button-4`, `wheel-up`. */
export function commandKeyId(key: CommandKey): string {
  switch (key.kind) {
    case 'key':
      return [
        ...MODIFIERS.filter((each) => each !== key.code && key.modifiers.includes(each)),
        key.code,
      ].join('+')
    case 'button':
      return `button-${key.button}`
    case 'scroll':
      return `wheel-${key.direction}`
  }
}
