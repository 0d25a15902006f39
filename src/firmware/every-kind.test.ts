import fc from 'fast-check'
import { expect, it, vi } from 'vitest'
import { anyEvent, SELF_CONTAINED } from '../core/document/any-macro.test-support'
import { addLayer } from '../core/edits/layer-edits'
import type { MacroEvent } from '../core/document/macro'
import { ACTIONS } from '../core/actions/registry'
import { compileProfile } from '../core/compile/compile'
import { tern7 } from '../core/device/models/tern-7'
import { newStackItem } from '../core/terms/light'
import { capabilitiesOf, type Capabilities } from '../core/onboard/capabilities'
import { keyAction } from '../core/text/context'
import { DeviceLog } from './device-log'
import { SETTING_KINDS, type DeviceSettings } from '../core/onboard/settings'
import { ActiveImage } from './active-image'
import { bound, deviceWith, key, macro, play } from './macros.test-support'

const BEHIND: MacroEvent[] = [key('KeyQ', 'press', 50), key('KeyQ', 'release', 20)]

/** All visible effects of a macro with one event, except its key, and the time of the first. */
async function playing(events: MacroEvent[]) {
  const profile = ['Dive', 'Hold', 'Trim', 'Deck', 'Pump', 'Bow', 'Aft'].reduce(
    (now, name) => addLayer(now, name),
    bound(['side-front', play({ macro: 'm' })]),
  )
  const { device, heard, at } = await deviceWith(profile, [macro('m', [...events, ...BEHIND])])
  device.press('side-front')
  const told: string[] = []
  for (let ms = 5; ms < 9000; ms += 25) {
    at(ms)
    told.push(...heard())
    if (ms < 900) told.push(`${JSON.stringify(device.state)} ${device.drives().join()}`)
  }
  return told
}

it('a device goes by every setting there is', async () => {
  const read = new Set<string>()
  vi.spyOn(ActiveImage.prototype, 'settings', 'get').mockReturnValue(
    new Proxy<DeviceSettings>({}, { get: (_, key) => void read.add(String(key)) }),
  )
  const { device, at } = await deviceWith(bound(['side-front', play({ macro: 'm' })]), [macro('m', BEHIND)])
  device.setPlugs({ cable: 'none', radio: 'receiver', receiver: true })
  device.press('side-front')
  at(60_000)
  device.move(3, 3)
  device.drives()
  vi.restoreAllMocks()
  expect([...Object.keys(SETTING_KINDS)].filter((key) => !read.has(key))).toEqual([])
})

it('a firmware passes over what its table does not list, and notes it', () => {
  const all = capabilitiesOf({ major: 1, minor: 1 })
  const wave = newStackItem('wave', {}, { when: { kind: 'arrival', forMs: 500 } })
  const profile = { ...bound(['side-front', keyAction('KeyY', [])]), light: [wave] }
  const { bytes } = compileProfile(profile, tern7)
  const number = tern7.inputs.find(({ id }) => id === 'side-front')?.number ?? 0
  const shown = (can: Partial<Capabilities>) => {
    const log = new DeviceLog()
    const image = new ActiveImage(tern7, bytes, { ...all, ...can }, log)
    const { action } = image.resolve(number, [])
    return { action: action.kind, effects: image.stack.length, noted: log.lines.length }
  }
  expect(shown({})).toEqual({ action: 'key', effects: 1, noted: 0 })
  expect(shown({ actions: new Set([ACTIONS.off.code]) })).toEqual({ action: 'off', effects: 1, noted: 1 })
  expect(shown({ conditions: new Set() })).toEqual({ action: 'key', effects: 0, noted: 1 })
  expect(shown({ effects: new Set() })).toEqual({ action: 'key', effects: 0, noted: 1 })
})

it.each(SELF_CONTAINED)('a device performs the event %s, or takes its time', async (name) => {
  const alone = await playing([])
  const samples = fc
    .sample(anyEvent(name), { numRuns: 12, seed: 11 })
    .map((event) => ({ ...event, afterMs: 0 }))
  const differs = await Promise.all(
    samples.map(async (event) => JSON.stringify(await playing([event])) !== JSON.stringify(alone)),
  )
  expect(differs).toContain(true)
})
