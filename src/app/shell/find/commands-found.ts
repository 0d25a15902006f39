import { computed, nextTick } from 'vue'
import { useRouter } from 'vue-router'
import { useEditor } from '../../stores/editor'
import { aboutNow, canRun, isHere, runCommand } from '../../shared/commands'
import { isKeyAlone } from '../../shared/command-keys'
import { commandIds, commandWords, pathOf, type CommandId } from '../../shared/command-list'
import type { FindEntry } from './find-entry'

/** A view has told what its commands do by then; otherwise the view alone is shown. */
const WAIT_MS = 3000

/** Every command there is now, and those of other views, which are gone to; keys lead to where they work. */
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
      const { text, about, words, where } = commandWords(id)
      const key = isKeyAlone(id)
      const path = pathOf(id, editor.openId)
      if (isHere(id) ? !canRun(id) : path === undefined) return []
      const open = where === 'profile' ? editor.profile?.name : undefined
      return [
        {
          kind: key ? 'shortcut' : 'command',
          text,
          detail: [about, aboutNow(id), open].filter(Boolean).join(' · '),
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
