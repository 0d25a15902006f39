import { englishText } from '../../messages/plain'
import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import { firstItems, itemAt } from '../../core/base/items'
import { tern7 } from '../../core/device/models/tern-7'
import { bind } from '../../core/edits/edits'
import { addLayer } from '../../core/edits/layer-edits'
import { setStep } from '../../core/edits/motion-edits'
import { EMPTY_SHELF, emptyMacro, shelfOf } from '../../core/document/macro'
import { newPalette } from '../../core/document/palette'
import { factoryProfile } from '../../core/terms/profile'
import type { LinkSession } from '../../core/link/session'
import type { Swap } from '../../core/link/swap'
import { keyAction } from '../../core/text/context'
import { countUnwrittenEdits, summaryOf } from '../../core/find/summary'
import { searchText } from '../../core/find/search-text'
import { prepareSearch } from '../library/prepare-search'
import { useUndoableActions } from './undoable-actions'
import type { KnownDevice } from './known-device'
import { useNotifications } from './notifications'
import { usePalettes } from './palettes'
import { slotCommands } from './slot-commands'
import { useSwaps } from './swaps'

const summaryText = (...of: Parameters<typeof summaryOf>) =>
  summaryOf(...of)
    .map(englishText)
    .join(' · ')

const profile = factoryProfile(tern7, 'Brinewatch')

beforeEach(async () => {
  await Dexie.delete('unisera-library')
  setActivePinia(createPinia())
})

describe('what was done outside an editor', () => {
  it('is taken back the last first, where it was done, and each once', async () => {
    const [deeds, notices] = [useUndoableActions(), useNotifications()]
    const taken: string[] = []
    const say = (place: 'library' | 'macros', text: string) =>
      deeds.say(place, text, async () => {
        taken.push(text)
        return 'undone'
      })
    say('library', 'one')
    say('library', 'two')
    say('macros', 'three')
    expect(notices.current?.text).toBe('three')
    await deeds.undo('library')
    expect(notices.current?.text).toBe('Undone: two')
    await deeds.undo('library')
    await deeds.undo('library')
    expect(taken).toEqual(['two', 'one'])
    expect(deeds.done.get('library')).toEqual([])
    expect(deeds.done.get('macros')).toHaveLength(1)
  })

  it('is taken back from its notice, and not a second time by keys', async () => {
    const [deeds, notices] = [useUndoableActions(), useNotifications()]
    const undo = vi.fn(async () => 'undone' as const)
    deeds.say('library', 'Deleted', undo)
    const { action } = notices.current ?? {}
    expect(action?.label).toBe('Undo')
    action?.act()
    action?.act()
    await deeds.undo('library')
    expect(undo).toHaveBeenCalledTimes(1)
  })

  it('undoes two deeds in order when Ctrl Z is pressed twice before the first is stored', async () => {
    const deeds = useUndoableActions()
    const undone: string[] = []
    for (const text of ['Deleted', 'Renamed'])
      deeds.say('library', text, async () => {
        await Promise.resolve()
        undone.push(text)
        return 'undone'
      })
    await Promise.all([deeds.undo('library'), deeds.undo('library')])
    expect(undone).toEqual(['Renamed', 'Deleted'])
    expect(deeds.done.get('library')).toEqual([])
  })

  it('can be undone again where that failed', async () => {
    const [deeds, notices] = [useUndoableActions(), useNotifications()]
    deeds.say('devices', 'Slot 4 was cleared', async () => 'not undone')
    await deeds.undo('devices')
    expect(deeds.done.get('devices')).toHaveLength(1)
    expect(notices.current?.text).toBe('Slot 4 was cleared')
  })

  it('is kept up to fifty deeds a place', () => {
    const deeds = useUndoableActions()
    for (let at = 0; at < 60; at++) deeds.say('devices', `deed ${at}`, async () => 'undone')
    expect(deeds.done.get('devices')).toHaveLength(50)
    expect(deeds.done.get('devices')?.at(0)?.text).toBe('deed 10')
  })
})

describe('what is said', () => {
  it('goes when it is no longer so, or when the view is left that it was refused in', async () => {
    const notices = useNotifications()
    const plugged = ref(true)
    notices.say('The cable is in', undefined, () => plugged.value)
    await nextTick()
    expect(notices.current?.text).toBe('The cable is in')
    plugged.value = false
    await nextTick()
    expect(notices.current).toBeUndefined()
    notices.refuse('Not here')
    notices.left()
    expect(notices.current).toBeUndefined()
    notices.trouble('It is full')
    notices.left()
    expect(notices.current?.tone).toBe('trouble')
    notices.dismiss()
    expect(notices.said.map(({ text }) => text)).toEqual(['The cable is in', 'Not here', 'It is full'])
  })

  it('is kept up to fifty, the newest last', () => {
    const notices = useNotifications()
    for (let at = 0; at < 70; at++) notices.say(`notice ${at}`)
    expect(notices.said).toHaveLength(50)
    expect([notices.said.at(0)?.text, notices.said.at(-1)?.text]).toEqual(['notice 20', 'notice 69'])
  })
})

describe('what can be done with a slot', () => {
  const device = (slots: KnownDevice['slots']): KnownDevice =>
    ({
      id: 'a',
      model: tern7,
      connected: true,
      name: '',
      info: { activeSlot: 0 },
      slots,
    }) as unknown as KnownDevice
  const held = { bytes: Uint8Array.of(1), profile }
  const kinds = (index: number, slots: KnownDevice['slots'], inLibrary = true) =>
    slotCommands(device(slots), index, inLibrary).map(({ kind }) => kind)

  it('depends on what it holds, whether it is on, and whether the library has it', () => {
    const swaps = Array(tern7.memory.slots - 1).fill('swap')
    expect(kinds(0, [held])).toEqual(swaps)
    expect(kinds(1, [held, held])).toEqual(['activate', 'clear', ...swaps])
    expect(kinds(1, [held, held], false)).toEqual(['keep', 'activate', 'clear', ...swaps])
    expect(kinds(1, [held, { bytes: undefined, profile: undefined }])).toEqual([])
    expect(kinds(4, [held])).toEqual([])
    // Bytes that are not a profile can be cleared and moved, but not copied to the library.
    expect(kinds(1, [held, { bytes: Uint8Array.of(9), profile: undefined }], false)).toEqual([
      'activate',
      'clear',
      ...swaps,
    ])
    const texts = slotCommands(device([held, held]), 1, true).map(({ text }) => text)
    expect(texts.slice(2)).toEqual([1, 3, 4, 5].map((slot) => `Swap with slot ${slot}`))
  })
})

describe('a swap that was cut', () => {
  const [one, two] = [Uint8Array.of(1), Uint8Array.of(2)]
  const swap: Swap = { slots: [0, 2], images: [one, two] } as Swap
  const session = (held: (Uint8Array | undefined)[]) => {
    const slots = [...held]
    return {
      slots,
      readSlot: async (slot: number) => slots[slot],
      writeSlot: async (slot: number, image: Uint8Array) => void (slots[slot] = image),
      clear: async (slot: number) => void (slots[slot] = undefined),
    }
  }

  it('is finished from wherever it was cut, and forgotten then', async () => {
    const swaps = useSwaps()
    await swaps.begin('a', swap)
    expect(await swaps.underWay('b')).toBeUndefined()
    expect(await swaps.underWay('a')).toEqual(swap)
    for (const held of [
      [one, undefined, two],
      [two, undefined, two],
      [two, undefined, one],
    ]) {
      await swaps.begin('a', swap)
      const on = session(held)
      await swaps.finish('a', swap, on as unknown as LinkSession)
      expect(on.slots).toEqual([two, undefined, one])
      expect(await swaps.underWay('a')).toBeUndefined()
    }
  })

  it('with an empty slot empties the other one; what is no swap of its is left alone', async () => {
    const swaps = useSwaps()
    const half: Swap = { slots: [0, 1], images: [one, undefined] } as Swap
    const on = session([one, undefined])
    expect(await swaps.finish('a', half, on as unknown as LinkSession)).toBe(true)
    expect(on.slots).toEqual([undefined, one])
    const strange = session([Uint8Array.of(7), Uint8Array.of(8), undefined])
    expect(await swaps.finish('a', swap, strange as unknown as LinkSession)).toBe(false)
    expect(strange.slots).toEqual([Uint8Array.of(7), Uint8Array.of(8), undefined])
    await swaps.begin('c', { slots: [0], images: 'no' } as unknown as Swap)
    expect(await swaps.underWay('c')).toBeUndefined()
  })
})

describe('palettes of the library', () => {
  it('are kept and deleted with a way back', async () => {
    const [palettes, deeds] = [usePalettes(), useUndoableActions()]
    await palettes.add(newPalette('Harbour', ['#112233', '#445566']))
    await vi.waitFor(() => expect(palettes.kept.map(({ name }) => name)).toEqual(['Harbour']))
    await palettes.remove(itemAt(palettes.kept, 0))
    await vi.waitFor(() => expect(palettes.kept).toEqual([]))
    await deeds.undo('library')
    await vi.waitFor(() => expect(palettes.kept.map(({ name }) => name)).toEqual(['Harbour']))
    await deeds.undo('library')
    await vi.waitFor(() => expect(palettes.kept).toEqual([]))
  })
})

describe('a profile in a line', () => {
  it('says how much of it is its own, its layers and its steps', () => {
    expect(summaryText(profile, tern7)).toMatch(/^0 inputs changed · [\d, ]+ DPI$/)
    const one = bind(profile, tern7, 0, 'side-front', keyAction('KeyY', []))
    expect(summaryText(one, tern7)).toMatch(/^1 input changed · /)
    const layers = addLayer(addLayer(one, 'Dive'), 'Winch')
    expect(summaryText(layers, tern7)).toMatch(/^1 input changed · layers Dive, Winch · /)
    expect(summaryText({ ...addLayer(one, 'Dive'), steps: [] }, undefined)).toBe(
      '0 inputs changed · layer Dive',
    )
  })

  it('knows how many edits a slot has not, anew where the slot holds something else', () => {
    const edited = setStep(bind(profile, tern7, 0, 'side-front', keyAction('KeyY', [])), tern7, 0, {
      dpi: 450,
    })
    expect(countUnwrittenEdits(profile, profile, tern7, EMPTY_SHELF)).toBe(0)
    const count = countUnwrittenEdits(profile, edited, tern7, EMPTY_SHELF)
    expect(count).toBeGreaterThanOrEqual(2)
    expect(countUnwrittenEdits(profile, edited, tern7, EMPTY_SHELF)).toBe(count)
    expect(countUnwrittenEdits(edited, edited, tern7, EMPTY_SHELF)).toBe(0)
  })

  it('is found by what it does, by names and notes, and by what its macros are called now', async () => {
    const bound = bind(profile, tern7, 0, 'side-front', keyAction('KeyY', ['ControlLeft']))
    const macro = {
      kind: 'macro',
      macro: 'm',
      play: 'once',
      gapMs: 0,
      again: 'ignore',
      others: 'go-on',
    } as const
    const whole = { ...bind(bound, tern7, 0, 'side-rear', macro), tags: ['Deep'] }
    const [sonar, sweep] = firstItems(
      ['Sonar', 'Sweep'].map((name) => shelfOf([emptyMacro('m', name)])),
      2,
    )
    const text = searchText(whole, sonar, englishText)
    const rate = `${Object.values(whole.polling)[0]} hz`
    for (const word of [
      ...['brinewatch', 'deep', 'tern 7', 'base', 'ctrl+y', 'macro sonar'],
      ...[`${itemAt(whole.steps, 0).dpi} dpi`, rate, 'any operating system', 'us'],
    ])
      expect(text, word).toContain(word)
    expect(searchText(whole, sonar, englishText)).toBe(text)
    expect(searchText(whole, sweep, englishText)).toContain('macro sweep')
    await prepareSearch([whole, profile], sweep)
    expect(searchText(profile, sweep, englishText)).toContain('brinewatch')
    expect(searchText({ ...profile, model: 'gone' }, sweep, englishText)).toContain('gone')
  })
})
