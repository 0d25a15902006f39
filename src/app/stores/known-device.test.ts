import { describe, expect, it } from 'vitest'
import { compileProfile } from '../../core/compile/compile'
import { tern7 } from '../../core/device/models/tern-7'
import { knot5 } from '../../core/device/models/knot-5'
import { EMPTY_SHELF } from '../../core/document/macro'
import { factoryProfile } from '../../core/terms/profile'
import type { DeviceInfo } from '../../core/link/packets'
import { LinkError } from '../../core/link/link-error'
import { supportText } from '../settings/support-text'
import { deviceLine, whyReadOnly } from '../shared/device-line'
import { lengthText } from '../shared/numbers'
import { partTitle } from '../../core/compile/part-title'
import { slotContentOf, serialText, deviceTitle, writeFailure, type KnownDevice } from './known-device'
import { englishText } from '../../messages/plain'
import { message } from '../../core/message/message'

const info = (by: Partial<DeviceInfo> = {}): DeviceInfo =>
  ({
    serial: 0xab12,
    firmware: { major: 1, minor: 1, patch: 0 },
    protocol: 3,
    connection: 1,
    batteryPercent: 82,
    charging: false,
    slots: 5,
    activeSlot: 0,
    ...by,
  }) as DeviceInfo
const device = (by: Partial<KnownDevice> = {}): KnownDevice => ({
  id: 'a',
  model: tern7,
  connected: true,
  name: '',
  info: info(),
  slots: [],
  ...by,
})

describe('a device in words', () => {
  it('is called by its name, else by its model, and by its serial among several without a name', () => {
    const [one, two, named, other] = [
      device(),
      device({ id: 'b', info: info({ serial: 0x1cd34 }) }),
      device({ id: 'c', name: 'Left desk' }),
      device({ id: 'd', model: knot5 }),
    ]
    expect(deviceTitle(one, [one, named, other])).toBe('Tern 7')
    expect([one, two, named, other].map((each) => deviceTitle(each, [one, two, named, other]))).toEqual([
      'Tern 7 AB12',
      'Tern 7 CD34',
      'Left desk',
      'Knot 5',
    ])
    expect(serialText(0xab12)).toBe('0000AB12')
  })

  it('says how it is connected and charged, and why nothing on it can be changed', () => {
    expect(deviceLine(device())).toBe('2.4 GHz · 82%')
    expect(deviceLine(device({ info: info({ charging: true, connection: 0 }) }))).toBe(
      'Cable · 82%, charging',
    )
    expect(deviceLine(device({ connected: false }))).toBe('not connected')
    expect(deviceLine(device({ info: undefined }))).toBe('reading…')
    expect(whyReadOnly(device())).toBeUndefined()
    expect(whyReadOnly(device({ connected: false, name: 'Left desk' }))).toBe(
      'Connect Left desk by cable or receiver first',
    )
    expect(whyReadOnly(device({ info: info({ connection: 2 }) }))).toMatch(
      /^Bluetooth cannot change settings/,
    )
  })

  it('has in a slot a profile, nothing, or bytes with the reason why they are none', () => {
    const profile = factoryProfile(tern7, 'Brinewatch')
    const { bytes } = compileProfile(profile, tern7, EMPTY_SHELF)
    expect(slotContentOf(bytes, tern7, EMPTY_SHELF).profile?.name).toBe('Brinewatch')
    expect(slotContentOf(undefined, tern7, EMPTY_SHELF)).toEqual({ bytes: undefined, profile: undefined })
    const broken = slotContentOf(bytes.subarray(0, 9), tern7, EMPTY_SHELF)
    expect(broken.profile).toBeUndefined()
    expect(broken.problem).toBeTruthy()
    expect(slotContentOf(bytes, knot5, EMPTY_SHELF).problem).toBeTruthy()
  })

  it('a write that failed says what the slot holds and that the edits are safe', () => {
    const gone = writeFailure(new LinkError('disconnected', message('link.disconnected')), 1)
    expect(gone).toMatch(/Slot 2 has its previous contents or the complete new profile/)
    expect(gone).toMatch(/your edits are safe here/)
    expect(writeFailure(new Error('It is full'), 1)).toBe(
      'It is full. Your edits are safe here, and the slot is not half-written.',
    )
  })
})

describe('what one tells who is to help', () => {
  const facts = {
    version: '0.4.0',
    browser: 'a browser',
    storage: 'kept',
    devices: [
      {
        device: device({
          slots: [{ bytes: Uint8Array.of(1), profile: undefined }],
          log: [{ what: 1, code: 9, times: 2 }],
        }),
        counts: { requests: 7, repeated: 1, writesAgain: 0, failed: 0 },
      },
      { device: device({ model: knot5, info: undefined, connected: false }), counts: undefined },
    ],
    library: '3 profiles',
    findings: [],
    said: ['something'],
    names: undefined,
  } as Parameters<typeof supportText>[0]

  it('has each device with its link and what it passed over, and no names unless they are wanted', () => {
    const text = supportText(facts)
    expect(text).toContain('  Tern 7, serial 0000AB12, firmware 1.1.0, protocol 3')
    expect(text).toContain('    2.4 GHz, battery 82%, 1 of 5 slots used, slot 1 active')
    expect(text).toContain('    link: 7 requests, 1 repeated, 0 writes restarted, 0 failed')
    expect(text).toContain('    skipped unknown item: kind 1, code 9, 2 times')
    expect(text).toContain('  Knot 5: not connected')
    expect(text).toContain('Checks\n  none\n')
    expect(text).not.toContain('Profiles')
    expect(supportText({ ...facts, names: ['Brinewatch'] })).toContain('Profiles\n  Brinewatch\n')
  })
})

describe('lengths and parts', () => {
  it('are told in what the person counts in', () => {
    expect(lengthText(25.4, 1, 'inches', 'mm')).toMatch(/^1[.,]00 in$/)
    expect(lengthText(25.4, 1, 'metric', 'mm')).toMatch(/^25[.,]4 mm$/)
    expect(lengthText(254, 1, 'metric', 'cm')).toMatch(/^25[.,]4 cm$/)
  })

  it('are called by their layer', () => {
    expect(
      ['layer:0', 'layer:1', 'layer:9', 'motion', 'light', 'profile'].map((part) =>
        englishText(partTitle(part, ['Base', 'Dive'])),
      ),
    ).toEqual(['Buttons', 'Layer Dive', 'Layer 9', 'Motion', 'Light', 'Name, tags and rules'])
  })
})
