import { computed, nextTick } from 'vue'
import { useRouter } from 'vue-router'
import { useEditor } from '../../stores/editor'
import { currentDescription, canRun, isHere, runCommand } from '../../shared/commands'
import { isKeyAlone } from '../../shared/command-keys'
import { commandIds, commandTexts, pathOf, type CommandId } from '../../shared/command-list'
import type { FindEntry } from './find-entry'

/** Time for a view to register its commands; otherwise only the view is opened. */
const WAIT_MS = 3000

/**
 * All available commands, and those of other views, which are opened first; shortcuts open the place where they work.
 */
export function useFoundCommands() {
  const editor = useEditor()
  const router = useRouter()

  async function goAndRun(id: CommandId, path: string): Promise<void> {
    await router.push(path)
    for (const until = performance.now() + WAIT_MS; !isHere(id) && performance.now() < until;)
      await new Promise(requestAnimationFrame)
    await nextTick()
    runCommand(id)
  }

  return computed(() =>
    commandIds().flatMap((id): FindEntry[] => {
      const { text, about, words, where } = commandTexts(id)
      const key = isKeyAlone(id)
      const path = pathOf(id, editor.openId)
      if (isHere(id) ? !canRun(id) : path === undefined) return []
      const open = where === 'profile' ? editor.profile?.name : undefined
      return [
        {
          kind: key ? 'shortcut' : 'command',
          text,
          detail: [about, currentDescription(id), open].filter(Boolean).join(' · '),
          words: words ?? '',
          command: id,
          run: () => {
            if (canRun(id)) return runCommand(id)
            if (path !== undefined) return key ? router.push(path) : goAndRun(id, path)
          },
        },
      ]
    }),
  )
}
