import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../core/base/items'
import { tern7 } from '../core/device/models/tern-7'
import { newStackItem } from '../core/terms/light'
import type { Profile } from '../core/document/schema'
import { setDefaultStep } from '../core/edits/motion-edits'
import { deviceWith } from './device.test-support'
import { sheet } from './sheet.test-support'
import { runs } from '../core/base/runs.test-support'

/** Changes by presses last until another slot becomes active (docs/onboard-format.md, "Changed by a press"). */
const CELLS: [input: string, layer: number, text: string][] = [
  ['side-front', 0, 'next light'],
  ['side-rear', 0, 'light dimmer'],
  ['wheel-press', 0, 'light brighter'],
  ['under-wheel', 0, 'light off'],
  ['right', 0, 'hold 3000 dpi'],
  ['wheel-up', 0, 'next step'],
  ['wheel-down', 0, 'switch layer Dive'],
]
const lamp = (...colours: string[]): Profile['light'] =>
  colours.map((colour) => newStackItem('solid', { colour }))
const ONE = { ...sheet(tern7, ['Dive'], ...CELLS), light: lamp('#64c832', '#0000ff') }
const OTHER = { ...setDefaultStep(sheet(tern7, ['Dive', 'Deep'], ...CELLS), 0), light: lamp('#c80000') }

const device = (...profiles: (typeof ONE)[]) => deviceWith(...profiles)
const inForce = ({ device: each }: Device) => {
  const { step, dpi, stepHeld, slot, layers } = each.state
  return { step, dpi, stepHeld, slot, layers }
}
type Device = Awaited<ReturnType<typeof device>>
const tap = ({ device: each, after }: Device, input: string, heldMs = 10) => {
  if (input.startsWith('wheel-') && input !== 'wheel-press') each.turn(input, 1)
  else {
    each.press(input)
    after(heldMs)
    each.release(input)
  }
  after(10)
  return itemAt(each.lights(), 0)
}

describe('what presses change', () => {
  it('is over when another slot comes on, and stays so when the first comes again', async () => {
    const inputs = fc.constantFrom(...CELLS.map(([input]) => input))
    await fc.assert(
      fc.asyncProperty(fc.array(inputs, { maxLength: 12 }), fc.boolean(), async (presses, holding) => {
        const [pressed, fresh] = [await device(ONE, OTHER), await device(ONE, OTHER)]
        for (const input of presses) tap(pressed, input)
        if (holding) pressed.device.press('right')
        for (const slot of [1, 0]) {
          for (const each of [pressed, fresh]) {
            await each.session.select(slot)
            each.after(5000)
          }
          expect(pressed.device.lights()).toEqual(fresh.device.lights())
          expect(inForce(pressed)).toEqual(inForce(fresh))
        }
        pressed.device.release('right')
        pressed.after(10)
        expect(inForce(pressed)).toEqual(inForce(fresh))
      }),
      runs(15),
    )
  })

  it('is a layer that stays on with no key down, until its switch is pressed again', async () => {
    const on = await device(ONE)
    tap(on, 'wheel-down')
    on.after(60_000)
    expect(inForce(on).layers).toEqual([1])
    tap(on, 'wheel-down')
    expect(inForce(on).layers).toEqual([])
  })

  it('is a step that holds: it is told, comes over others, and leaves the chosen one as it was', async () => {
    const on = await device(ONE)
    tap(on, 'wheel-up')
    const { step, dpi } = inForce(on)
    on.device.press('right')
    on.after(10)
    expect(inForce(on)).toMatchObject({ step, dpi: 3000, stepHeld: true })
    tap(on, 'wheel-up')
    expect(inForce(on)).toMatchObject({ dpi: 3000, stepHeld: true })
    on.device.release('right')
    on.after(10)
    expect(inForce(on).stepHeld).toBe(false)
    expect(inForce(on).dpi).not.toBe(dpi)
  })

  it('is light by tenths of what is set, from one to ten; brighter and dimmer light what was off', async () => {
    const on = await device(ONE)
    const red = Array.from({ length: 12 }, () => tap(on, 'side-rear').red)
    expect(red).toEqual([90, 80, 70, 60, 50, 40, 30, 20, 10, 10, 10, 10])
    expect(tap(on, 'under-wheel').red).toBe(0)
    expect(tap(on, 'wheel-press').red).toBe(20)
    expect(tap(on, 'under-wheel').red).toBe(0)
    expect(tap(on, 'side-rear').red).toBe(10)
    expect(Array.from({ length: 11 }, () => tap(on, 'wheel-press').red).at(-1)).toBe(100)
  })

  it('is each effect of the stack by itself, then all; of one effect that one, of none nothing', async () => {
    const seen = async (light: Profile['light'], times: number) => {
      const on = await device({ ...ONE, light })
      return Array.from({ length: times }, () => {
        const { red, green, blue } = tap(on, 'side-front')
        return [red, green, blue].join(' ')
      })
    }
    expect(await seen(lamp('#64c832', '#0000ff'), 4)).toEqual([
      '100 200 50',
      '0 0 255',
      '100 200 50',
      '100 200 50',
    ])
    expect(await seen(lamp('#c80000'), 3)).toEqual(['200 0 0', '200 0 0', '200 0 0'])
    expect(await seen([], 3)).toEqual(['0 0 0', '0 0 0', '0 0 0'])
  })
})
