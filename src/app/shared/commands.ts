import { tryOnScopeDispose } from '@vueuse/core'
import { shallowReactive } from 'vue'
import { keysOf } from '../../core/base/tables'
import { isKeyAlone, matchesShortcut } from './command-keys'
import { commandIds, type CommandId } from './command-list'
import { isField, isTyping } from './fields'

export interface CommandHandler {
  run: () => unknown
  /** Whether the command is available now. */
  can?: () => boolean
  /** Its target. */
  about?: () => string | undefined
}

/** Handlers of a command; the latest one is used, like the topmost element. */
const doing = shallowReactive(new Map<CommandId, readonly CommandHandler[]>())

/** Registers handlers of commands as long as the component exists. */
export function useCommands(acts: Partial<Record<CommandId, CommandHandler | (() => unknown)>>): void {
  const own = keysOf<CommandId>(acts).flatMap((id): [CommandId, CommandHandler][] => {
    const act = acts[id]
    return act ? [[id, typeof act === 'function' ? { run: act } : act]] : []
  })
  for (const [id, act] of own) doing.set(id, [...(doing.get(id) ?? []), act])
  tryOnScopeDispose(() => {
    for (const [id, act] of own) {
      const left = (doing.get(id) ?? []).filter((each) => each !== act)
      if (left.length > 0) doing.set(id, left)
      else doing.delete(id)
    }
  })
}

const actOf = (id: CommandId): CommandHandler | undefined => doing.get(id)?.at(-1)
/** Whether the command has a handler, available or not. */
export const isHere = (id: CommandId): boolean => actOf(id) !== undefined
export const canRun = (id: CommandId): boolean => {
  const act = actOf(id)
  return act !== undefined && (act.can?.() ?? true)
}
export const currentDescription = (id: CommandId): string | undefined => actOf(id)?.about?.()
export const runCommand = (id: CommandId): unknown => (canRun(id) ? actOf(id)?.run() : undefined)

/** Keys that work everywhere, or wherever the command has a handler. */
export function runByKey(event: KeyboardEvent): void {
  if (event.defaultPrevented) return
  const found = commandIds().find((id) => !isKeyAlone(id) && matchesShortcut(event, id) && isHere(id))
  // Typed keys belong to their field, except for Find; a plain character always does.
  const bare = isField(event.target) && !event.ctrlKey && !event.metaKey
  if (!found || bare || (found !== 'find' && isTyping(event.target))) return
  event.preventDefault()
  runCommand(found)
}
