import { tryOnScopeDispose } from '@vueuse/core'
import { shallowReactive } from 'vue'
import { keysOf } from '../../core/base/tables'
import { isKeyAlone, pressed } from './command-keys'
import { commandIds, type CommandId } from './command-list'
import { isField, isTyping } from './fields'

export interface Act {
  run: () => unknown
  /** Whether there is something to do now. */
  can?: () => boolean
  /** What it would be done to. */
  about?: () => string | undefined
}

/** What a command does here; who came last has its say, as what lies above does. */
const doing = shallowReactive(new Map<CommandId, readonly Act[]>())

/** Tells what commands do as long as the component is there. */
export function useCommands(acts: Partial<Record<CommandId, Act | (() => unknown)>>): void {
  const own = keysOf<CommandId>(acts).flatMap((id): [CommandId, Act][] => {
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

const actOf = (id: CommandId): Act | undefined => doing.get(id)?.at(-1)
/** Whether somebody here does it, be there something to do or not. */
export const isHere = (id: CommandId): boolean => actOf(id) !== undefined
export const canRun = (id: CommandId): boolean => {
  const act = actOf(id)
  return act !== undefined && (act.can?.() ?? true)
}
export const aboutNow = (id: CommandId): string | undefined => actOf(id)?.about?.()
export const runCommand = (id: CommandId): unknown => (canRun(id) ? actOf(id)?.run() : undefined)

/** Keys that work everywhere, or wherever somebody does the command. */
export function runByKey(event: KeyboardEvent): void {
  if (event.defaultPrevented) return
  const found = commandIds().find((id) => !isKeyAlone(id) && pressed(event, id) && isHere(id))
  // What is typed belongs to its field, but for the box that finds anything; a bare character always does.
  const bare = isField(event.target) && !event.ctrlKey && !event.metaKey
  if (!found || bare || (found !== 'find' && isTyping(event.target))) return
  event.preventDefault()
  runCommand(found)
}
