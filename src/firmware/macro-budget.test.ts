import { describe, expect, it } from 'vitest'
import { itemAt } from '../core/base/items'
import { tern7 } from '../core/device/models/tern-7'
import { compileProfile } from '../core/compile/compile'
import { decompileImage, decompileMacros } from '../core/compile/decompile'
import { encodeImage, decodeImage } from '../core/onboard/format'
import type { MacroOp } from '../core/onboard/macro-ops'
import { shelfOf, type MacroEvent } from '../core/document/macro'
import { checkProfile } from '../core/checks/checks'
import { Clock, PoweredAlarms } from './clock'
import { MacroPlayer } from './macro-player'
import { Outbox } from './outbox'

import { bound, deviceWith, macro, play, tap } from './macros.test-support'

describe('a macro beyond the budget', () => {
  it('is refused by the checks with its name, known without being written out', () => {
    const macros = Array.from({ length: 30 }, (_, index) =>
      macro(`m${index}`, index === 0 ? tap('KeyA', 10) : [twice(index), twice(index)]),
    )
    const profile = bound(['side-front', play({ macro: 'm29' })])
    const findings = checkProfile(profile, tern7, shelfOf(macros))
    expect(findings).toContainEqual(
      expect.objectContaining({
        rule: 'macro-budget',
        severity: 'error',
        facts: expect.objectContaining({
          macro: 'Macro of m29',
          problem: expect.objectContaining({ key: 'too-much-in-one-pass' }) as object,
        }) as object,
      }),
    )
    const circle = macro('m0', [{ kind: 'macro', macro: 'm29', afterMs: 0 }])
    const rules = checkProfile(profile, tern7, shelfOf([circle, ...macros.slice(1)])).map(({ rule }) => rule)
    expect(rules).toContain('macro-circle')
  })

  it('in an image costs that macro alone, and its input answers with a light signal', async () => {
    const profile = bound(['side-front', play({ macro: 'a' })], ['side-rear', play({ macro: 'b' })])
    const macros = [macro('a', tap('KeyA', 10)), macro('b', tap('KeyB', 10))]
    const good = decodeImage(compileProfile(profile, tern7, shelfOf(macros)).bytes)
    const endless = [2, 0x90, 0x4e, 2, 0x90, 0x4e, 0x7f, 0, 0, 3, 3]
    const code = Uint8Array.from(endless)
    const bad = encodeImage({
      ...good,
      macros: good.macros.map((each) => (each.name === 'Macro of a' ? { ...each, code } : each)),
    }).bytes
    const { device, session, heard, at } = await deviceWith(profile, macros)
    await session.writeSlot(0, bad, undefined)
    at(9000)
    heard()
    const dark = device.lights()
    device.press('side-front')
    at(9100)
    expect(heard()).toEqual([])
    expect(device.lights()).not.toEqual(dark)
    device.press('side-rear')
    at(9300)
    expect(heard().length).toBe(2)
    // And the library keeps it unchanged.
    const kept = itemAt(decompileMacros(bad, shelfOf(macros)), 0)
    expect(kept.events).toEqual([{ kind: 'code', bytes: '02904e02904e7f00000303', afterMs: 0 }])
    const shelf = shelfOf([...macros, kept])
    expect(compileProfile(decompileImage(bad, tern7, shelf), tern7, shelf).bytes).toEqual(bad)
  })

  it('never does more at one instant than the player lets it, whatever reached it', () => {
    const clock = new Clock()
    let refused = 0
    const alarms = new PoweredAlarms(clock)
    const outbox = new Outbox(alarms, () => {})
    outbox.attach(1000)
    const nothing: MacroOp = { kind: 'wait', ms: 0 }
    const body: MacroOp[] = [{ kind: 'repeat', times: 10_000, body: [nothing] }]
    const player = new MacroPlayer(alarms, outbox, () => [{ kind: 'repeat', times: 10_000, body }], {
      unknown: () => {},
      refuse: () => refused++,
      signal: () => {},
      step: () => {},
      toggleLayer: () => {},
    })
    player.press(1, { ...play({ macro: 'x' }), macro: 1 })
    clock.runUntil(60e6)
    expect(refused).toBe(1)
  })
})

const twice = (index: number): MacroEvent => ({ kind: 'macro', macro: `m${index - 1}`, afterMs: 0 })
