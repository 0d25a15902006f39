import { computed, onMounted, shallowRef } from 'vue'
import { useHelp } from '../../shared/help'
import { useShowTask } from '../help/show-task'
import type * as Pages from '../help/pages'
import type { FindEntry } from './find-entry'

/** What the help tells: its words, its tasks, and its pages by everything that is said in them. It loads with the box. */
export function useFoundHelp() {
  const help = useHelp()
  const showTask = useShowTask()
  const loaded = shallowRef<typeof Pages>()
  onMounted(async () => (loaded.value = await import('../help/pages')))

  return computed((): FindEntry[] => {
    if (!loaded.value) return []
    const { PAGES, TERMS, wordsOf } = loaded.value
    const words = TERMS.map(({ id, title, told }): FindEntry => {
      const run = () => (help.term.value = id)
      return { kind: 'word', text: title, detail: 'what it means', words: wordsOf(told), run }
    })
    const pages = PAGES.flatMap(({ id, title, told, tasks }): FindEntry[] => [
      ...tasks.map((task): FindEntry => {
        const run = () => showTask(id, task)
        return {
          kind: 'help',
          text: task.title,
          detail: `${title}, shown step by step`,
          words: 'how to',
          run,
        }
      }),
      {
        kind: 'help',
        text: `Help for ${title}`,
        detail: 'what it is for',
        words: `${wordsOf(told)} manual how`,
        run: () => (help.page.value = id),
      },
    ])
    return [...words, ...pages]
  })
}
