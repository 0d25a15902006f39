import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import { tern7 } from '../../core/device/models/tern-7'
import { readShared, extractShared } from '../../core/share/link'
import { factoryProfile } from '../../core/terms/profile'
import { bind } from '../../core/edits/edits'
import { useEditor } from '../stores/editor'
import { useLibrary } from '../stores/library'
import { useFreshPages } from '../stores/pages.test-support'
import { useShareLink } from './share-link'

useFreshPages()
beforeEach(() => vi.stubGlobal('location', { origin: 'https://unisera.example' }))

const profile = factoryProfile(tern7, 'Brinewatch')

async function opened(document = profile) {
  const library = useLibrary()
  await library.library.add(document, 0, 1, 'p')
  await vi.waitFor(() => expect(library.entry('p')).toBeDefined())
  useEditor().open('p')
  await nextTick()
}

describe('a profile as a link', () => {
  it('is created on request, contains the whole profile, and is drawn as a QR code', async () => {
    await opened()
    const wanted = ref(false)
    const scope = effectScope()
    const sharing = scope.run(() => useShareLink(() => wanted.value))
    expect(sharing?.link.value).toBeUndefined()
    wanted.value = true
    const address = sharing?.link.value?.address ?? ''
    expect(address).toMatch(/^https:\/\/unisera\.example\/open#/)
    expect(readShared(extractShared(address)).profile).toEqual(profile)
    await vi.waitFor(() => expect(sharing?.code.value?.path).toMatch(/^M\d+ \d+h1v1h-1z/))
    scope.stop()
  })

  it('gives the reason when a profile cannot be a link because no device can store it', async () => {
    const gone = { play: 'once', again: 'stop', others: 'stop', gapMs: 0, macro: 'gone' } as const
    await opened(bind(profile, tern7, 0, 'side-front', { kind: 'macro', ...gone }))
    const scope = effectScope()
    const sharing = scope.run(() => useShareLink(() => true))
    expect(sharing?.link.value?.address).toBeUndefined()
    expect(sharing?.link.value?.problem).toContain('macro')
    scope.stop()
  })
})
