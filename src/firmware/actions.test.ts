import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tern7 } from '../core/device/models/tern-7'
import { factoryContext, keyAction } from '../core/text/context'
import { anyAction } from '../core/document/any-profile.test-support'
import { bind } from '../core/edits/edits'
import { setDefaultStep } from '../core/edits/motion-edits'
import { factoryProfile } from '../core/terms/profile'
import type { Action } from '../core/document/schema'
import { deviceWith } from './device.test-support'
import { runs } from '../core/base/runs.test-support'

const base = factoryProfile(tern7, 'Gantry Run')
const bound = (action: Action, input = 'side-front') => bind(base, tern7, 0, input, action)

describe('each kind of action', () => {
  it.each<[string, Action, string[], string[]]>([
    ['nothing', { kind: 'off' }, [], []],
    ['a key', keyAction('F13', []), ['F13 down'], ['F13 up']],
    ['a modifier alone', keyAction('ShiftRight', []), ['Right Shift down'], ['Right Shift up']],
    [
      'right Alt told from left',
      keyAction('KeyQ', ['AltRight']),
      ['Right Alt down', 'Q down'],
      ['Q up', 'Right Alt up'],
    ],
    ['a mouse button', { kind: 'button', button: 8, clicks: 1 }, ['Button 8 down'], ['Button 8 up']],
    [
      'a double click',
      { kind: 'button', button: 1, clicks: 2 },
      ['Left click down', 'Left click up', 'Left click down'],
      ['Left click up'],
    ],
    ['scrolling by an amount', { kind: 'scroll', direction: 'down', amount: 5 }, ['scroll -5'], []],
    ['scrolling sideways', { kind: 'scroll', direction: 'right', amount: 2 }, ['pan +2'], []],
    ['a control', { kind: 'control', control: 'mute' }, ['Mute down'], ['Mute up']],
    [
      'a control beyond the first page of bytes',
      { kind: 'control', control: 'bassUp' },
      ['Bass up down'],
      ['Bass up up'],
    ],
  ])('%s', async (_, action, pressed, released) => {
    const { device, after, said } = await deviceWith(bound(action))
    device.press('side-front')
    after(30)
    expect(said()).toEqual(pressed)
    device.release('side-front')
    after(30)
    expect(said().sort()).toEqual([...released].sort())
  })

  it('on a wheel goes off once a detent', async () => {
    const { device, after, said } = await deviceWith(bound(keyAction('KeyW', []), 'wheel-up'))
    device.turn('wheel-up', 3)
    after(40)
    expect(said()).toEqual(['W down', 'W up', 'W down', 'W up', 'W down', 'W up'])
  })

  it('two inputs on one key hold it until both are up', async () => {
    const both = bind(bound(keyAction('Space', [])), tern7, 0, 'side-rear', keyAction('Space', ['ShiftLeft']))
    const { device, after, said } = await deviceWith(both)
    device.press('side-front')
    device.press('side-rear')
    after(30)
    device.release('side-front')
    after(30)
    expect(said()).toEqual(['Space down', 'Shift down'])
    device.release('side-rear')
    after(30)
    expect(said().sort()).toEqual(['Shift up', 'Space up'])
  })
})

describe('steps and slots', () => {
  const press = async (device: Awaited<ReturnType<typeof deviceWith>>, input: string) => {
    device.device.press(input)
    device.after(20)
    device.device.release(input)
    device.after(20)
    return device.session.info()
  }

  it('go on, back and to a chosen one, around the ends', async () => {
    const previous = bind(bound({ kind: 'step', to: 'previous' }), tern7, 0, 'side-rear', {
      kind: 'step',
      to: 4,
    })
    const device = await deviceWith(setDefaultStep(previous, 0))
    expect((await device.session.info()).activeStep).toBe(1)
    expect((await press(device, 'side-front')).activeStep).toBe(4)
    expect((await press(device, 'under-wheel')).activeStep).toBe(1)
    expect((await press(device, 'side-rear')).activeStep).toBe(4)
  })

  it('pass over empty slots, and begin each slot at its own default', async () => {
    const device = await deviceWith(bound({ kind: 'slot', to: 3 }), setDefaultStep(base, 3))
    expect(await press(device, 'slot-button')).toMatchObject({ activeSlot: 1, activeStep: 4 })
    expect(await press(device, 'slot-button')).toMatchObject({ activeSlot: 0, activeStep: 2 })
    // A selected slot becomes active even if it is empty, with factory settings.
    expect(await press(device, 'side-front')).toMatchObject({ activeSlot: 2, activeStep: 2 })
    device.after(50)
    device.said()
    device.device.press('side-front')
    device.after(20)
    expect(device.said()).toEqual(['Forward click down'])
  })

  it('a choice that is not there changes nothing', async () => {
    const device = await deviceWith(bound({ kind: 'step', to: 5 }))
    expect((await press(device, 'side-front')).activeStep).toBe(2)
  })
})

describe('over any connection', () => {
  it('the same presses give the same reports in the same order, whatever the rate', async () => {
    const anyPresses = fc.array(
      fc.tuple(fc.constantFrom('side-front', 'side-rear', 'wheel-press'), fc.integer({ min: 20, max: 60 })),
      {
        maxLength: 12,
      },
    )
    await fc.assert(
      fc.asyncProperty(
        fc.tuple(anyAction(factoryContext(tern7)), anyAction(factoryContext(tern7))),
        anyPresses,
        async ([front, rear], presses) => {
          // A double click, like texts and taps, takes as long as the polling rate requires: other actions come between
          // or after it.
          const noSteering = (action: Action): Action =>
            ['slot', 'step', 'hold-step', 'text', 'tap-hold'].includes(action.kind) ||
            (action.kind === 'button' && action.clicks > 1)
              ? { kind: 'off' }
              : action
          const profile = bind(bound(noSteering(front)), tern7, 0, 'side-rear', noSteering(rear))
          const heardAt = async (rateHz: number) => {
            const { device, after, said } = await deviceWith({
              ...profile,
              polling: { ...profile.polling, cable: rateHz },
            })
            for (const [input, ms] of presses) {
              device.press(input)
              after(ms)
              device.release(input)
              after(ms)
            }
            after(5 * 60_000)
            return said()
          }
          expect(await heardAt(125)).toEqual(await heardAt(1000))
        },
      ),
      runs(40),
    )
  })
})
