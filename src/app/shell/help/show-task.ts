import { useRoute, useRouter } from 'vue-router'
import { pageOfView, useHelp, type HelpTask } from '../../shared/help'
import { useEditor } from '../../stores/editor'
import { useLibrary } from '../../stores/library'

const OF_A_PROFILE = new Set(['buttons', 'motion', 'light'])

/** Shows a task of a help page in its view, with a profile if necessary. */
export function useShowTask(): (pageId: string, task: HelpTask) => Promise<void> {
  const [route, router] = [useRoute(), useRouter()]
  const [editor, library] = [useEditor(), useLibrary()]
  const help = useHelp()
  return async (pageId, task) => {
    help.page.value = help.term.value = undefined
    const profile = editor.openId ?? library.entries[0]?.id
    if (pageOfView(route.path) !== pageId)
      await router.push(
        !OF_A_PROFILE.has(pageId) ? `/${pageId}` : profile ? `/profile/${profile}/${pageId}` : '/library',
      )
    help.task.value = task
  }
}
