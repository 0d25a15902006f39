import { typingIn } from '../../messages/english.test-support'
import { itemAt } from '../../core/base/items'
import { effectScope, nextTick, ref, shallowRef } from 'vue'
import { describe, expect, it } from 'vitest'
import { tern7 } from '../../core/device/models/tern-7'
import { contextOf, keyAction } from '../../core/text/context'
import { addLayer } from '../../core/edits/layer-edits'
import { factoryAction, factoryProfile } from '../../core/terms/profile'
import type { Binding, Profile } from '../../core/document/schema'
import { useEntry } from './entry'

const front = tern7.inputs.find(({ id }) => id === 'side-front') ?? itemAt(tern7.inputs, 0)
const blank: Profile = { ...factoryProfile(tern7, 'Entry', { system: 'windows', layout: 'us' }) }

function entryOf(first?: Binding) {
  const binding = ref<Binding | undefined>(first)
  const profile = shallowRef(blank)
  const scope = effectScope()
  const entry = scope.run(() =>
    useEntry(
      () => binding.value,
      () => typingIn(contextOf(profile.value, tern7)),
      () => factoryAction(front),
    ),
  )
  if (!entry) throw new Error('a scope runs')
  const type = (text: string) => {
    entry.draft.value = text
    entry.typed()
  }
  return { entry, binding, profile, type, end: () => scope.stop() }
}

describe('the text of a cell while it is typed', () => {
  it('is what is bound until it is typed in, and follows edits from elsewhere only till then', async () => {
    const { entry, binding, type, end } = entryOf({ action: keyAction('KeyY', []), name: 'Ballast' })
    expect(entry.draft.value).toBe('Y = Ballast')
    expect(entry.action.value).toEqual(keyAction('KeyY', []))
    binding.value = { action: keyAction('KeyB', []) }
    await nextTick()
    expect(entry.draft.value).toBe('B')
    type('volume u')
    binding.value = { action: keyAction('KeyC', []) }
    await nextTick()
    expect(entry.draft.value).toBe('volume u')
    expect(entry.offers.value.map(({ text }) => text)).toContain('Volume up')
    end()
  })

  it('says what it would cost, and nothing for what the factory set or cannot be lowered', () => {
    const { entry, type, end } = entryOf()
    // An unbound cell needs no memory.
    expect(entry.cost.value).toBe(0)
    type('forward click')
    expect(entry.cost.value).toBe(0)
    type('y')
    const key = entry.cost.value ?? 0
    expect(key).toBeGreaterThan(0)
    type('type "all clear"')
    expect(entry.cost.value).toBeGreaterThan(key)
    type('fnord')
    expect(entry.problem.value).toBeUndefined()
    expect(entry.cost.value).toBe(0)
    end()
  })

  it('offers the choices of a kind, completes what stands before a name, and forgets both when it is taken', () => {
    const { entry, profile, type, end } = entryOf()
    entry.kind.value = 'layers'
    expect(entry.offers.value.every(({ action }) => action.kind !== 'layer')).toBe(true)
    profile.value = addLayer(blank, 'Dive')
    expect(entry.offers.value.map(({ text }) => text)).toContain('Hold layer Dive')
    type('volume d = Down')
    expect(entry.kind.value).toBeUndefined()
    expect(entry.offers.value[0]).toMatchObject({ text: 'Volume down' })
    entry.problem.value = 'no'
    entry.settled('Side, front is Y')
    expect([entry.draft.value, entry.touched.value, entry.problem.value, entry.done.value]).toEqual([
      'inherited',
      false,
      undefined,
      'Side, front is Y',
    ])
    entry.begin('type "')
    expect([entry.draft.value, entry.touched.value, entry.done.value]).toEqual(['type "', true, undefined])
    end()
  })
})
