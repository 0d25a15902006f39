import { describe, expect, it } from 'vitest'
import { dunlin84 } from '../core/device/models/dunlin-84'
import { tern7 } from '../core/device/models/tern-7'
import type { DeviceModel } from '../core/device/model'
import { ownKey } from './own-keys'

/** Presses a key of the user's own keyboard. @returns what the device did, and whether the page kept the key */
function done(code: string, model: DeviceModel, { down = true, repeat = false } = {}) {
  const acts: string[] = []
  const event = Object.assign(new Event('keydown', { cancelable: true }), { code, repeat })
  ownKey(event, down, model, {
    press: ({ id }) => acts.push(`press ${id}`),
    release: ({ id }) => acts.push(`release ${id}`),
    slide: (dx, dy) => acts.push(`slide ${dx} ${dy}`),
  })
  return { acts, kept: !event.defaultPrevented }
}
const second = tern7.inputs.find(({ number }) => number === 2)

describe('the user’s own keyboard in place of fingers', () => {
  it('presses the inputs of a mouse by their numbers, and moves the mouse by its arrows', () => {
    expect(done('Digit2', tern7)).toEqual({ acts: [`press ${second?.id}`], kept: false })
    expect(done('Digit2', tern7, { down: false }).acts).toEqual([`release ${second?.id}`])
    expect(done('ArrowLeft', tern7).acts).toEqual(['slide -2 0'])
    expect(done('ArrowDown', tern7).acts).toEqual(['slide 0 2'])
    expect(done('ArrowDown', tern7, { down: false }).acts).toEqual([])
  })

  it('presses the same key of a keyboard, which no arrow moves', () => {
    const key = dunlin84.inputs.find((input) => input.key?.code === 'KeyW')
    expect(done('KeyW', dunlin84).acts).toEqual([`press ${key?.id}`])
    expect(done('ArrowUp', dunlin84).acts).not.toContain('slide 0 -2')
  })

  it('holds a repeated key, and leaves the page its Tab and all that no input has', () => {
    expect(done('Digit2', tern7, { repeat: true })).toEqual({ acts: [], kept: false })
    expect(done('ArrowLeft', tern7, { repeat: true }).acts).toEqual(['slide -2 0'])
    for (const code of ['Tab', 'KeyQ']) expect(done(code, tern7)).toEqual({ acts: [], kept: true })
    expect(done('Tab', dunlin84)).toEqual({ acts: [], kept: true })
  })
})
