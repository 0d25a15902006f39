import { generateKeyPairSync } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../core/base/items'
import { firmwareBytes } from '../../scripts/firmware-files'
import { signForTestsOnly } from '../../scripts/maker-key-for-tests-only'
import { compileProfile } from '../core/compile/compile'
import type { DeviceModel } from '../core/device/model'
import { godwit19 } from '../core/device/models/godwit-19'
import { knot5 } from '../core/device/models/knot-5'
import { tern7 } from '../core/device/models/tern-7'
import { setStack } from '../core/edits/light-edits'
import { newStackItem } from '../core/terms/light'
import { factoryProfile } from '../core/terms/profile'
import { EFFECTS } from '../core/effects/registry'
import { LOG_KINDS } from '../core/link/packets'
import { LinkSession } from '../core/link/session'
import { firmwareToSign, readFirmwareFile } from '../core/onboard/firmware-file'
import { Clock } from './clock'
import { SimulatedDevice } from './device'
import { verifySignature } from './signature'
import { virtualTransport } from './virtual-transport'

const NOTES = 'Sweep.'
const fileOf = (minor: number, model: DeviceModel = tern7, codeBytes = 900) =>
  firmwareBytes(
    { model: model.number, version: { major: 1, minor, patch: 0 }, notes: NOTES },
    undefined,
    codeBytes,
  )

const image = compileProfile(factoryProfile(tern7, 'Brinewatch'), tern7).bytes

/** A device on its cable with given contents of its two flash parts. */
function start(flash?: Uint8Array, banks?: Uint8Array, chargeMah = 200) {
  const clock = new Clock()
  const device = new SimulatedDevice({
    model: tern7,
    clock,
    chargeMah,
    signatureCheck: () => verifySignature,
    ...(flash && { flash }),
    ...(banks && { banks }),
  })
  device.setPlugs({ cable: 'data' })
  clock.runUntil(100_000)
  return { clock, device, session: new LinkSession(virtualTransport(clock, device)) }
}

const minorOf = async (session: LinkSession) => (await session.info()).firmware.minor

/** Sends a file, starts it, and waits until the device is back. */
async function update({ clock, session }: ReturnType<typeof start>, file: Uint8Array): Promise<void> {
  await session.sendFirmware(file)
  await session.restart()
  clock.runUntil(clock.nowUs + 1_000_000)
}

describe('an update', () => {
  it('is run from the next start on, from one bank and then the other, and profiles stay', async () => {
    const one = start()
    await one.session.writeSlot(2, image, undefined)
    for (const minor of [1, 2, 3]) {
      const before = await minorOf(one.session)
      await one.session.sendFirmware(fileOf(minor))
      expect(await minorOf(one.session)).toBe(before)
      await one.session.restart()
      one.clock.runUntil(one.clock.nowUs + 1_000_000)
      expect(await minorOf(one.session)).toBe(minor)
      const again = start(one.device.flash.cells, one.device.bankFlash.cells)
      expect(await minorOf(again.session)).toBe(minor)
    }
    expect(await one.session.readSlot(2)).toEqual(image)
  })

  it('does what the version before cannot: an effect that was passed over is shown', async () => {
    const profile = setStack(factoryProfile(tern7, 'Sweep'), [newStackItem('sweep', { colour: '#ffffff' })])
    const { bytes } = compileProfile(profile, tern7)
    const one = start()
    await one.session.writeSlot(0, bytes, undefined)
    one.clock.runUntil(4_000_000)
    const lit = () => one.device.drives().some((drive) => drive > 0)
    expect(lit()).toBe(false)
    expect(await one.session.log()).toContainEqual({
      what: LOG_KINDS.effect,
      code: EFFECTS.sweep.code,
      times: 1,
    })
    await update(one, fileOf(1))
    expect(lit()).toBe(true)
    expect(await one.session.log()).toEqual([])
  })

  it('that loses power at any flash operation leaves the old or the new version, whole, and profiles as they were', async () => {
    const lived = start()
    await lived.session.writeSlot(0, image, undefined)
    await update(lived, fileOf(1))
    const seen = new Set<string>()
    let cutAfter = 1
    for (let done = false; !done; cutAfter++) {
      const one = start(lived.device.flash.cells, lived.device.bankFlash.cells)
      const { bankFlash } = one.device
      const from = bankFlash.operations
      const transport = virtualTransport(one.clock, one.device)
      const cut = () => bankFlash.operations - from >= cutAfter
      const stopping = {
        ...transport,
        sendFeatureReport: async (data: Uint8Array) => {
          if (cut()) one.device.setPlugs({ power: false, cable: 'none' })
          return transport.sendFeatureReport(data)
        },
        receiveFeatureReport: async () => {
          if (cut()) one.device.setPlugs({ power: false, cable: 'none' })
          return transport.receiveFeatureReport()
        },
      }
      const session = new LinkSession(stopping)
      const how = await session
        .sendFirmware(fileOf(2))
        .then(() => session.restart())
        .then(
          () => 'sent',
          () => 'cut',
        )
      if (how === 'sent') {
        while (!cut() && one.clock.nowUs < 20_000_000 && one.clock.runNext());
        done = !cut()
        one.device.setPlugs({ power: false, cable: 'none' })
      }
      const after = start(one.device.flash.cells, one.device.bankFlash.cells)
      after.clock.runUntil(1_000_000)
      const minor = await minorOf(after.session)
      expect([1, 2]).toContain(minor)
      seen.add(`${how} ${minor}`)
      expect(await after.session.readSlot(0)).toEqual(image)
      // It continues from there.
      if (cutAfter % 5 === 0) {
        await update(after, fileOf(3))
        expect(await minorOf(after.session)).toBe(3)
      }
    }
    expect(cutAfter).toBeGreaterThan(8)
    expect(seen).toContain('cut 1')
    expect(seen).toContain('sent 2')
  })

  it('that cannot begin goes back to the version before, now and later', async () => {
    const one = start()
    await update(one, fileOf(1))
    const signed = firmwareToSign({
      model: tern7.number,
      version: { major: 1, minor: 2, patch: 0 },
      notes: '',
      payload: Uint8Array.of(1, 0, 0),
    })
    await update(one, Uint8Array.from([...signed, ...signForTestsOnly(signed)]))
    expect(await minorOf(one.session)).toBe(1)
    expect(await minorOf(start(one.device.flash.cells, one.device.bankFlash.cells).session)).toBe(1)
  })

  const flipped = (at: number) => {
    const bytes = fileOf(1)
    bytes[at < 0 ? bytes.length + at : at] = itemAt(bytes, at < 0 ? bytes.length + at : at) ^ 1
    return bytes
  }
  const other = generateKeyPairSync('ed25519').privateKey
  const stranger = () => {
    const { signed } = readFirmwareFile(fileOf(1))
    return Uint8Array.from([...signed, ...signForTestsOnly(signed, other)])
  }
  it.each([
    ['for another model', () => fileOf(1, godwit19), /different model/],
    ['with a bit of its payload flipped', () => flipped(120), /damaged|another model/],
    ['with a bit of its signature flipped', () => flipped(-3), /not signed by the maker/],
    ['with a bit of its version flipped', () => flipped(8), /not signed by the maker/],
    ['signed by somebody else', stranger, /not signed by the maker/],
    ['Incomplete', () => fileOf(1).slice(0, -1), /damaged/],
    ['larger than a bank', () => new Uint8Array(20_000), /firmware file is too large/],
  ])('%s is refused, and the device runs what it ran', async (_, file, why) => {
    const one = start()
    await expect(one.session.sendFirmware(file())).rejects.toThrow(why)
    await one.session.restart()
    one.clock.runUntil(one.clock.nowUs + 1_000_000)
    expect(await minorOf(one.session)).toBe(0)
    await update(one, fileOf(1))
    expect(await minorOf(one.session)).toBe(1)
  })

  it('is refused over the air, and with less than 20 % of charge', async () => {
    const low = start(undefined, undefined, 0.1 * (tern7.electrical.battery?.capacityMah ?? 0))
    await expect(low.session.sendFirmware(fileOf(1))).rejects.toThrow(/below 20%/)
    low.device.setPlugs({ cable: 'none', radio: 'bluetooth' })
    await expect(low.session.sendFirmware(fileOf(1))).rejects.toThrow(/only be updated over the cable/)
  })

  it('that came by cable is neither finished nor started over the receiver', async () => {
    const one = start()
    await one.session.sendFirmware(fileOf(1))
    one.device.setPlugs({ cable: 'none', receiver: true, radio: 'receiver' })
    one.clock.runUntil(one.clock.nowUs + 1_000_000)
    await expect(one.session.restart()).rejects.toThrow(/only restart over the cable/)
    one.clock.runUntil(one.clock.nowUs + 1_000_000)
    expect(await minorOf(one.session)).toBe(0)
  })

  it('may be to an older version: there is no minimum', async () => {
    const one = start()
    await update(one, fileOf(3))
    await update(one, fileOf(1))
    expect(await minorOf(one.session)).toBe(1)
    expect(await minorOf(start(one.device.flash.cells, one.device.bankFlash.cells).session)).toBe(1)
  })

  it('needs no battery, and survives lost replies', async () => {
    const clock = new Clock()
    const device = new SimulatedDevice({ model: knot5, clock, signatureCheck: () => verifySignature })
    device.setPlugs({ cable: 'data' })
    const transport = virtualTransport(clock, device)
    let count = 0
    const lossy = {
      ...transport,
      receiveFeatureReport: async () => {
        const reply = await transport.receiveFeatureReport()
        return ++count % 61 === 0 ? new Uint8Array(3) : reply
      },
    }
    await new LinkSession(lossy).sendFirmware(fileOf(1, knot5))
    await new LinkSession(transport).restart()
    clock.runUntil(clock.nowUs + 1_000_000)
    expect(await minorOf(new LinkSession(transport))).toBe(1)
  })
})
