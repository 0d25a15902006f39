import { t } from '../../../messages/page'
import { computed, onMounted, shallowRef } from 'vue'
import { useHelp } from '../../shared/help'
import { useShowTask } from '../help/show-task'
import type * as Pages from '../help/pages'
import type { FindEntry } from './find-entry'

/** Results from the help: glossary terms, tasks, and pages by their full text. It loads with the box. */
export function useFoundHelp() {
  const help = useHelp()
  const showTask = useShowTask()
  const loaded = shallowRef<typeof Pages>()
  onMounted(async () => (loaded.value = await import('../help/pages')))

  return computed((): FindEntry[] => {
    if (!loaded.value) return []
    const { PAGES, TERMS, pageText: wordsOf } = loaded.value
    const words = TERMS.map(({ id, title, told }): FindEntry => {
      const run = () => (help.term.value = id)
      return { kind: 'word', text: title, detail: t('shell.definition'), words: wordsOf(told), run }
    })
    const pages = PAGES.flatMap(({ id, title, told, tasks }): FindEntry[] => [
      ...tasks.map((task): FindEntry => {
        const run = () => showTask(id, task)
        return {
          kind: 'help',
          text: task.title,
          detail: t('shell.shownStepByStep', { title }),
          words: 'how to',
          run,
        }
      }),
      {
        kind: 'help',
        text: t('shell.helpFor', { title }),
        detail: t('shell.purposeOfThisView'),
        words: `${wordsOf(told)} manual how`,
        run: () => (help.page.value = id),
      },
    ])
    return [...words, ...pages]
  })
}
