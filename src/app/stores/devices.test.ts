import { englishText } from '../../messages/plain'
import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { createPinia, setActivePinia, type Pinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick } from 'vue'
import { itemAt } from '../../core/base/items'
import { tern7 } from '../../core/device/models/tern-7'
import { findingMessage } from '../../core/checks/checks'
import { compileProfile } from '../../core/compile/compile'
import { CALIBRATION_OPERATION } from '../../core/link/packets'
import { LinkSession } from '../../core/link/session'
import { keyAction } from '../../core/text/context'
import { bind, renameProfile } from '../../core/edits/edits'
import { setSettings } from '../../core/edits/motion-edits'
import { factoryProfile } from '../../core/terms/profile'
import type { SimulatorEvent } from '../../simulator/api'
import { Simulator } from '../../simulator/simulator'
import { DeviceStorage } from '../../simulator/storage'
import { usePending } from './pending'
import { useDevices } from './devices'
import { useEditor } from './editor'
import { useLibrary } from './library'
import { useNotifications } from './notifications'
import { inEnglish } from '../../messages/english.test-support'

/** Web Locks for one tab: requests for a name wait for earlier ones. */
function locks() {
  const last = new Map<string, Promise<unknown>>()
  return {
    request(name: string, ...rest: unknown[]) {
      const act = rest.at(-1) as () => Promise<unknown>
      const next = (last.get(name) ?? Promise.resolve()).catch(() => {}).then(act)
      last.set(name, next)
      return next
    },
    query: async () => ({ held: [] }),
  }
}

/** The real simulator in the same thread, without a worker in between. */
const worker = vi.hoisted(() => ({
  simulator: undefined as unknown,
  listeners: [] as ((event: SimulatorEvent) => void)[],
}))
vi.mock('../../simulator/client', async (original) => ({
  ...(await original<object>()),
  connectSimulator: () => worker.simulator,
  listenToSimulator: (hear: (event: SimulatorEvent) => void) => worker.listeners.push(hear),
}))

const ID = 'tern-7 #1'
const profile = factoryProfile(tern7, 'Brinewatch')
const edited = bind(profile, tern7, 0, 'side-front', keyAction('KeyY', []))
const image = compileProfile(profile, tern7).bytes
let simulator: Simulator
let pinia: Pinia

beforeEach(async () => {
  await Dexie.delete('unisera-library')
  await Dexie.delete('unisera-devices')
  pinia = createPinia()
  setActivePinia(pinia)
  vi.stubGlobal('navigator', { locks: locks() })
  vi.stubGlobal('document', { visibilityState: 'visible' })
  vi.spyOn(globalThis, 'setInterval').mockImplementation(() => setTimeout(() => {}, 0))
  worker.listeners = []
  const storage = new DeviceStorage(() => {})
  simulator = new Simulator(
    storage,
    (event) => worker.listeners.forEach((hear) => hear(event)),
    () => performance.now(),
  )
  worker.simulator = simulator
})
afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

async function started() {
  const devices = useDevices(pinia)
  await devices.start(async () => false)
  const device = () => devices.known.get(ID)
  return { devices, device, notices: useNotifications(pinia) }
}

/** Another program that uses the device. */
const otherProgram = () =>
  new LinkSession({
    id: ID,
    sendFeatureReport: async (data) => void (await simulator.sendFeatureReport(ID, data)),
    receiveFeatureReport: async () => (await simulator.receiveFeatureReport(ID)) ?? new Uint8Array(),
  })

describe('the devices store', () => {
  it('knows what a device is and that its slots are empty', async () => {
    const { devices, device } = await started()
    expect(devices.failure).toBeUndefined()
    expect(device()).toMatchObject({
      connected: true,
      model: { id: 'tern-7' },
      info: { activeSlot: 0, connection: 1 },
    })
    expect(device()?.slots).toEqual(
      Array.from({ length: 5 }, () => ({ bytes: undefined, profile: undefined })),
    )
    expect(devices.forModel('tern-7')?.id).toBe(ID)
    expect(devices.forModel('another')).toBeUndefined()
  })

  it('reads no slot again after a write that was verified, and all where somebody else wrote as well', async () => {
    const { devices, device } = await started()
    const read = vi.spyOn(LinkSession.prototype, 'readSlot')
    await devices.write(ID, 0, image, 'p')
    await devices.write(ID, 0, compileProfile(edited, tern7).bytes, 'p')
    expect(itemAt(device()?.slots, 0).profile).toEqual(edited)
    expect(read).not.toHaveBeenCalled()
    await otherProgram().writeSlot(2, image, undefined)
    await devices.write(ID, 1, image, 'p')
    expect(itemAt(device()?.slots, 2).bytes).toEqual(image)
  })

  it('writes, and knows the slot by what came back', async () => {
    const { devices, device } = await started()
    expect(await devices.write(ID, 1, image, 'p')).toBe(true)
    expect(device()?.slots[1]).toEqual({ bytes: image, profile })
    expect(device()?.outcome).toMatchObject({ kind: 'written', slot: 1 })
    expect(device()?.writing).toBeUndefined()
  })

  it('tells a write that is not stored from one that would survive a closed browser', async () => {
    const { devices } = await started()
    const refuse = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('no room', 'QuotaExceededError')
    })
    await devices.write(ID, 1, image, 'p')
    expect(devices.memoryTrouble).toMatch(/no room/)
    refuse.mockRestore()
    await devices.write(ID, 2, image, 'p')
    await vi.waitFor(async () => expect(await simulator.memoryTrouble()).toBeUndefined(), { timeout: 10_000 })
  })

  it('sees a device go and come, and keeps knowing what it held', async () => {
    const { devices, device } = await started()
    await devices.write(ID, 0, image, 'p')
    await simulator.setPlugs(ID, { receiver: false })
    await vi.waitFor(() => expect(device()?.connected).toBe(false))
    expect(device()?.slots[0]?.profile).toEqual(profile)
    expect(await devices.write(ID, 0, image, 'p')).toBe(false)
    expect(device()?.outcome?.message).toMatch(/was disconnected.*safe here/)
    await simulator.setPlugs(ID, { cable: 'data' })
    await vi.waitFor(() =>
      expect(device()).toMatchObject({ connected: true, info: { connection: 0, charging: true } }),
    )
  })

  it('makes a slot active, and clears one with a way back', async () => {
    const { devices, device, notices } = await started()
    await devices.write(ID, 2, image, 'p')
    await devices.select(ID, 2)
    expect(device()?.info?.activeSlot).toBe(2)
    await devices.clear(ID, 2)
    expect(device()?.slots[2]?.bytes).toBeUndefined()
    expect(notices.current?.text).toBe('Slot 3 (Brinewatch) was cleared')
    notices.current?.action?.act()
    await vi.waitFor(() => expect(device()?.slots[2]?.profile).toEqual(profile))
  })

  it('notices what somebody else wrote', async () => {
    const { devices, device } = await started()
    await otherProgram().writeSlot(4, image, undefined)
    await devices.refresh(ID)
    expect(device()?.slots[4]?.profile).toEqual(profile)
  })
})

describe('what is pending', () => {
  async function opened() {
    const { devices, device, notices } = await started()
    const library = useLibrary(pinia)
    await library.library.add(profile, 0, 1, 'p')
    await vi.waitFor(() => expect(library.entry('p')).toBeDefined())
    const editor = useEditor(pinia)
    editor.open('p')
    await nextTick()
    // An action of an earlier test's store that ends late would leave its own state behind.
    setActivePinia(pinia)
    const pending = effectScope().run(() => usePending())
    if (!pending) throw new Error('no scope')
    return { devices, device, library, editor, pending, notices }
  }

  it('is the difference between the image here and the image read back, and nothing else', async () => {
    const { editor, pending } = await opened()
    expect(pending.onDevice.value).toBe(false)
    await pending.write()
    expect(pending.onDevice.value).toBe(true)
    editor.edit(['tags'], () => edited)
    expect(pending.onDevice.value).toBe(false)
    expect(inEnglish(pending.edits.value)).toEqual([
      {
        key: 'binding:0:side-front',
        view: 'buttons',
        what: 'Side, front',
        from: 'Forward click',
        to: 'Y',
        at: { layer: 0, input: 'side-front' },
      },
    ])
    // Edited back by hand, there are no unwritten edits.
    editor.edit(['tags'], () => profile)
    expect(pending.onDevice.value).toBe(true)
    expect(pending.edits.value).toEqual([])
    await vi.waitFor(() => expect(editor.entry?.profile).toEqual(profile))
  })

  it('says so when the slot holds another profile, and keeps a copy of one that is nowhere else', async () => {
    const { devices, library, pending, notices } = await opened()
    const stranger = renameProfile(edited, 'From a friend')
    expect(await devices.write(ID, 0, compileProfile(stranger, tern7).bytes, 'x')).toBe(true)
    expect(pending.held.value?.profile).toEqual(stranger)
    expect(pending.sameProfile.value).toBe(false)
    await pending.write()
    expect(pending.onDevice.value).toBe(true)
    await vi.waitFor(() =>
      expect(library.entries.map((entry) => entry.profile.name)).toContain('From a friend'),
    )
    expect(notices.current?.text).toMatch(/only on the device\. It was copied to the library/)
  })

  it('knows its own earlier state by what was written from it, under whatever name', async () => {
    const { editor, pending, library } = await opened()
    await pending.write()
    await vi.waitFor(() => expect(editor.entry?.written).toBeDefined())
    editor.edit(['rename'], (now) => renameProfile(now, 'Deep water'))
    expect(pending.sameProfile.value).toBe(true)
    expect(inEnglish(pending.edits.value.map(({ what }) => what))).toEqual(['Name'])
    await pending.write()
    expect(pending.onDevice.value).toBe(true)
    await vi.waitFor(() => expect(library.entries.map((entry) => entry.profile.name)).toEqual(['Deep water']))
  })

  it('cannot be written while the profile has an error, and the error is told', async () => {
    const { editor, pending } = await opened()
    editor.edit(['polling', { rateHz: 3000 }], (now) => ({
      ...now,
      polling: { ...now.polling, cable: 3000 },
    }))
    expect(pending.compiled.value?.bytes).toBeUndefined()
    const [found] = pending.compiled.value?.errors ?? []
    expect(found && englishText(findingMessage(found))).toMatch(/Cable cannot use 3000 Hz/)
    await vi.waitFor(() => expect(editor.entry?.profile).toEqual(editor.profile))
  })

  it('says once that a charge is low, by the level of the slot that is on', async () => {
    const plugs = { cable: 'none', receiver: true, radio: 'receiver', power: true } as const
    const storage = new DeviceStorage(() => {})
    storage.storeState({ deviceId: ID, chargeMah: 64, plugs })
    await storage.settled()
    simulator = new Simulator(
      storage,
      () => {},
      () => performance.now(),
    )
    worker.simulator = simulator
    const { devices, device, notices } = await started()
    // 20% are left, and the factory warning is at 15.
    expect(device()?.info?.batteryPercent).toBe(20)
    expect(notices.current).toBeUndefined()
    const careful = setSettings(profile, tern7, { noticePercent: 30 })
    await devices.write(ID, 0, compileProfile(careful, tern7).bytes, 'x')
    await devices.refresh(ID)
    expect(notices.current?.text).toMatch(/^Tern 7 has 20% charge left/)
    notices.dismiss()
    await devices.refresh(ID)
    expect(notices.current).toBeUndefined()
  })

  it('measures a sensor in, and says why where it cannot', async () => {
    const { devices } = await started()
    await simulator.layOn(ID, 'glass')
    expect(await devices.calibrate(ID, CALIBRATION_OPERATION.begin)).toMatchObject({
      running: true,
      stored: 0,
    })
    for (let moved = 0; moved <= 600; moved += 20) await simulator.move(ID, 20, 0)
    expect(await devices.calibrate(ID, CALIBRATION_OPERATION.ask)).toMatchObject({ running: false })
    await simulator.setPlugs(ID, { receiver: false })
    expect(await devices.calibrate(ID, CALIBRATION_OPERATION.ask)).toMatch(/keeps its previous calibration/)
    expect(await devices.calibrate('godwit-19 #1', CALIBRATION_OPERATION.ask)).toMatch(
      /^.+\. The device keeps/,
    )
  })
})
