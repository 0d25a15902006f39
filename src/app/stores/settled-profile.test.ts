import { describe, expect, it, vi } from 'vitest'
import { reactive, watch } from 'vue'
import { tern7 } from '../../core/device/models/tern-7'
import { factoryProfile } from '../../core/terms/profile'
import { useSettledProfile } from './settled-profile'

const editor = vi.hoisted(() => ({ open: {} as { profile: unknown; inGesture: boolean } }))
vi.mock('./editor', () => ({ useEditor: () => editor.open }))

describe('the profile that is compiled and checked', () => {
  it('changes with each edit, and at most five times a second during a drag', () => {
    vi.useFakeTimers()
    const profile = factoryProfile(tern7, 'Brinewatch')
    editor.open = reactive({ profile, inGesture: false })
    const { settled, settle } = useSettledProfile()
    let compiled = 0
    watch(settled, () => compiled++, { flush: 'sync' })
    editor.open.profile = { ...profile, name: 'Brinewatch 2' }
    expect([compiled, settled.value]).toEqual([1, editor.open.profile])
    compiled = 0
    editor.open.inGesture = true
    for (let move = 0; move < 60; move++) {
      editor.open.profile = { ...profile, name: `Brinewatch ${move}` }
      vi.advanceTimersByTime(1000 / 60)
    }
    expect(compiled).toBeGreaterThan(2)
    expect(compiled).toBeLessThanOrEqual(5)
    vi.advanceTimersByTime(200)
    expect(settled.value).toEqual(editor.open.profile)
    editor.open.profile = { ...profile, name: 'Brinewatch 3' }
    settle()
    expect(settled.value).toEqual(editor.open.profile)
    vi.useRealTimers()
  })
})
