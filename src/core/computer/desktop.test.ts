import { inEnglish } from '../../messages/english.test-support'
import { describe, expect, it } from 'vitest'
import type { ComputerEvent } from './computer'
import { applyEvent, emptyDesktop, SCREEN } from './desktop'

const key = (usage: number, label: string, text = '', down = true): ComputerEvent => ({
  kind: 'key',
  usage,
  down,
  text,
  label,
})
const control = (usage: number): ComputerEvent => ({ kind: 'control', usage, down: true, label: 'x' })
const all = (...events: ComputerEvent[]) =>
  events.reduce((desktop, event) => applyEvent(desktop, event, 0), emptyDesktop())

describe('the desktop', () => {
  it('types, takes back, and tells a shortcut from text', () => {
    expect(all(key(4, 'A', 'a'), key(4, 'A', '', false), key(5, 'B', 'b')).text).toBe('ab')
    expect(all(key(4, 'A', 'a'), key(4, 'A', '', false), key(0x2a, 'Backspace')).text).toBe('')
    expect(inEnglish(all(key(0xe0, 'Ctrl'), key(0x1c, 'Y')))).toMatchObject({
      text: '',
      last: 'Ctrl+Y',
      down: [{ label: 'Ctrl' }, { label: 'Y' }],
    })
  })

  it('keeps the pointer on the screen and every count in the sum', () => {
    const moved = all({ kind: 'pointer', x: 5000, y: -7 }, { kind: 'pointer', x: -10, y: 0 })
    expect(moved.pointer).toEqual({ x: SCREEN.width - 10, y: 533 })
    expect(moved.travelled).toEqual({ x: 4990, y: -7 })
  })

  it('turns the volume within its ends, and mutes', () => {
    expect(all(...Array.from({ length: 60 }, () => control(0xe9))).volume).toBe(100)
    expect(all(control(0xe2)).muted).toBe(true)
    expect(all(control(0xe2), control(0xea))).toMatchObject({ muted: false, volume: 38 })
  })
})
