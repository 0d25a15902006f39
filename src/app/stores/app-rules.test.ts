import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { HELPER_FILE, type AppRule, type AppRules } from '../../core/computer/app-rules'
import { readAppRules } from '../../core/files/app-rules-file'
import { APP_RULES_KEY } from '../database/library-database'
import { useAppRules } from './app-rules'
import { useUndoableActions } from './undoable-actions'
import { useLibrary } from './library'
import { useNotifications } from './notifications'

const rule = (program: string): AppRule => ({ program, by: 'name', use: [{ device: 'tern-7', slot: 1 }] })
const adding = (program: string) => (rules: AppRules) => ({
  ...rules,
  rules: [...rules.rules, rule(program)],
})

const handedOver = new Map<string, string>()
beforeEach(async () => {
  handedOver.clear()
  vi.stubGlobal('localStorage', { setItem: (key: string, text: string) => handedOver.set(key, text) })
  await Dexie.delete('unisera-library')
  setActivePinia(createPinia())
})

async function begun() {
  const store = useAppRules()
  await vi.waitFor(() => expect(store.rules).toBeDefined())
  const { marks } = useLibrary().library.database
  const programs = () => store.rules?.rules.map(({ program }) => program)
  return { store, marks, programs }
}

describe('app rules', () => {
  it('lose nothing where two changes are made before either is seen, and are handed to the helper', async () => {
    const { store, programs } = await begun()
    await Promise.all([store.change('one', adding('a')), store.change('two', adding('b'))])
    await vi.waitFor(() => expect(programs()).toEqual(['a', 'b']))
    await vi.waitFor(() =>
      expect(readAppRules(handedOver.get(HELPER_FILE) ?? '').rules.map(({ program }) => program)).toEqual([
        'a',
        'b',
      ]),
    )
  })

  it('are taken back, but not over what was changed since', async () => {
    const { store, marks, programs } = await begun()
    const deeds = useUndoableActions()
    await store.change('one', adding('a'))
    await store.change('nothing', (rules) => rules)
    await vi.waitFor(() => expect(programs()).toEqual(['a']))
    await deeds.undo('devices')
    await vi.waitFor(() => expect(programs()).toEqual([]))
    expect(deeds.done.get('devices')).toEqual([])

    await store.change('two', adding('b'))
    const stored = (await marks.get(APP_RULES_KEY))?.value as AppRules
    await marks.put({ key: APP_RULES_KEY, value: adding('c')(stored) })
    const trouble = vi.spyOn(useNotifications(), 'trouble')
    await deeds.undo('devices')
    await vi.waitFor(() => expect(programs()).toEqual(['b', 'c']))
    expect(trouble).toHaveBeenCalledWith(expect.stringContaining('“two” was not undone'))
  })

  it('that cannot be read are told and kept until others take their place, and come back with it', async () => {
    const { store, marks, programs } = await begun()
    const broken = { format: 'unisera-rules', version: 9 }
    await marks.put({ key: APP_RULES_KEY, value: broken })
    await vi.waitFor(() => expect(store.problems.length).toBeGreaterThan(0))
    expect(store.rules).toBeUndefined()
    expect(store.stored).toEqual(broken)
    await store.change('anew', adding('a'))
    await vi.waitFor(() => expect(programs()).toEqual(['a']))
    await useUndoableActions().undo('devices')
    await vi.waitFor(() => expect(store.stored).toEqual(broken))
  })
})
