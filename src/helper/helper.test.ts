import { inEnglish } from '../messages/english.test-support'
import { expect, it } from 'vitest'
import { compileProfile } from '../core/compile/compile'
import type { AppRules } from '../core/computer/app-rules'
import { tern7 } from '../core/device/models/tern-7'
import { factoryProfile } from '../core/terms/profile'
import { LinkSession } from '../core/link/session'
import { Clock } from '../firmware/clock'
import { SimulatedDevice } from '../firmware/device'
import { virtualTransport } from '../firmware/virtual-transport'
import { Helper } from './helper'

const RULES: AppRules = {
  format: 'unisera-rules',
  version: 1,
  rules: [
    { program: 'brinewatch', by: 'name', use: [{ device: 'tern-7', profile: 'Brinewatch', slot: 0 }] },
    { program: 'tithe*', by: 'pattern', use: [{ device: 'tern-7', profile: 'Hollow Tithe' }] },
  ],
  otherwise: [{ device: 'tern-7', slot: 0 }],
}

it('the helper switches to the slot that holds a profile, wherever it is, and writes nothing', async () => {
  const clock = new Clock()
  const device = new SimulatedDevice({ model: tern7, clock })
  device.setPlugs({ cable: 'data' })
  const transport = virtualTransport(clock, device)
  const session = new LinkSession(transport)
  await session.writeSlot(3, compileProfile(factoryProfile(tern7, 'Brinewatch'), tern7).bytes, undefined)
  const held: string[] = []
  const helper = new Helper([{ model: 'tern-7', transport }], (id, act) => {
    held.push(id)
    return act()
  })
  const before = await session.info()
  // The file says slot 1, where the profile used to be.
  expect(inEnglish(await helper.inFront(RULES, 'Brinewatch.exe'))).toEqual({
    program: 'Brinewatch.exe',
    rule: 0,
    done: [{ device: 'Tern 7', what: 'slot 4 is now active' }],
  })
  expect((await session.info()).activeSlot).toBe(3)
  expect(held).toEqual([transport.id])
  expect(inEnglish(await helper.inFront(RULES, 'Brinewatch.exe'))).toBeUndefined()
  expect(inEnglish(await helper.inFront(RULES, 'Tithe.exe'))).toMatchObject({
    rule: 1,
    done: [{ what: '“Hollow Tithe” is not in any of its slots', failed: true }],
  })
  expect(inEnglish(await helper.inFront(RULES, 'Else'))).toMatchObject({
    done: [{ what: 'slot 1 is now active' }],
  })
  helper.again()
  expect(inEnglish(await helper.inFront(RULES, 'Else'))).toMatchObject({
    done: [{ what: 'slot 1 was already active' }],
  })
  expect((await session.readSlot(3))?.length).toBeGreaterThan(0)
  expect((await session.info()).activeSlot).toBe(before.activeSlot)
  device.setPlugs({ cable: 'none' })
  expect(inEnglish(await helper.inFront(RULES, 'Brinewatch'))).toMatchObject({ done: [{ failed: true }] })
})
