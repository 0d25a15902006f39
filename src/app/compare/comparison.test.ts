import 'fake-indexeddb/auto'
import { describe, expect, it, vi } from 'vitest'
import { createApp, effectScope, nextTick } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { tern7 } from '../../core/device/models/tern-7'
import { bind } from '../../core/edits/edits'
import { setStep } from '../../core/edits/motion-edits'
import { factoryProfile } from '../../core/terms/profile'
import { keyAction } from '../../core/text/context'
import { useEditor } from '../stores/editor'
import { useLibrary } from '../stores/library'
import { useFreshPages } from '../stores/pages.test-support'
import { useComparison } from './comparison'

useFreshPages()

const mine = factoryProfile(tern7, 'Brinewatch')
const theirs = setStep(
  bind(factoryProfile(tern7, 'Gantry Run'), tern7, 0, 'side-front', keyAction('KeyG', [])),
  tern7,
  0,
  { dpi: 450 },
)

/** The Compare view of one profile and another one of the library. */
async function compared() {
  const library = useLibrary()
  await library.library.add(mine, 0, 1, 'mine')
  await library.library.add(theirs, 0, 2, 'theirs')
  await vi.waitFor(() => expect(library.entries).toHaveLength(2))
  const editor = useEditor()
  editor.open('mine')
  await nextTick()
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:all(.*)*', component: {} }],
  })
  await router.push('/profile/mine/compare')
  const scope = effectScope()
  const comparison = createApp({})
    .use(router)
    .runWithContext(() => scope.run(useComparison))
  if (!comparison) throw new Error('the comparison was not set up')
  await comparison.choose('profile:theirs')
  await nextTick()
  return { library, editor, comparison, end: () => scope.stop() }
}

describe('a comparison', () => {
  it('takes the ticked differences, the name only when it is ticked; one undo reverts them all', async () => {
    const { editor, comparison, end } = await compared()
    expect(comparison.differences.value.map(({ key }) => key)).toContain('name')
    expect(comparison.asked.value.has('name')).toBe(false)
    const [binding] = [...comparison.asked.value].filter((key) => key.includes('side-front'))
    comparison.asked.value = new Set(binding === undefined ? [] : [binding])
    await comparison.take()
    expect(editor.profile).toEqual(bind(mine, tern7, 0, 'side-front', keyAction('KeyG', [])))
    editor.undo()
    await vi.waitFor(() => expect(editor.profile).toEqual(mine))
    end()
  })

  it('applies the differences to the other profile and does not change the open one', async () => {
    const { library, editor, comparison, end } = await compared()
    comparison.way.value = 'give'
    await nextTick()
    await comparison.take()
    await vi.waitFor(() => expect(library.entry('theirs')?.profile.steps).toEqual(mine.steps))
    expect(library.entry('theirs')?.profile.name).toBe('Gantry Run')
    expect(editor.profile).toEqual(mine)
    end()
  })
})
