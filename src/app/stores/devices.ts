import { StorageSerializers, useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, markRaw, reactive, shallowRef, watch } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import { DEVICE_MODELS, modelById, modelByNumber } from '../../core/device/models'
import type { CalibrationStatus } from '../../core/link/packets'
import { LinkError, type LinkSession } from '../../core/link/session'
import type { Swap } from '../../core/link/swap'
import { connectSimulator, listenToSimulator, type SimulatorClient } from '../../simulator/client'
import { MOST_DEVICES, standInId, type DeviceEntry } from '../../simulator/face'
import { freeThread } from '../database/free-thread'
import { useDeeds } from './deeds'
import { useDeviceNotices } from './device-notices'
import { useDeviceSessions } from './device-sessions'
import { contentOf, writeFailure, type KnownDevice, type SlotContent } from './known-device'
import { useLibrary } from './library'
import { useMacros } from './macros'
import { messageOf, useNotices } from './notices'
import { useSwaps } from './swaps'
import { useWhichDevice } from './which-device'

const POLL_MS = 2000
/** Between two questions while a press is waited for. */
const LISTEN_MS = 60

/** Devices behind their transports: what they are and hold, and the writes to them. */
export const useDevices = defineStore('devices', () => {
  const notices = useNotices()
  const macros = useMacros()
  const deeds = useDeeds()
  const library = useLibrary()
  const swaps = useSwaps()
  const known = reactive(new Map<string, KnownDevice>())
  const failure = shallowRef<string>()
  const ready = shallowRef(false)
  const simulator = shallowRef<SimulatorClient>()
  const list = computed(() => [...known.values()])
  const { linkCounts, withSession } = useDeviceSessions(simulator)
  const { noteBattery, noteSlot, noteConnection } = useDeviceNotices(known)
  const { ofModel, forModel, choose, title } = useWhichDevice(list)
  /** The devices of the last visit: drawn before their worker answers. None where nothing was put here or taken away. */
  const lastDesk = useLocalStorage<{ id: string; modelId: string }[] | null>('unisera-desk', null, {
    serializer: StorageSerializers.object,
  })

  /** @param prepare done to each connected device before it is first read */
  async function start(prepare: (client: SimulatorClient, id: string) => Promise<void>): Promise<void> {
    showStandIns()
    try {
      const client = connectSimulator(() => void startedAgain())
      simulator.value = client
      listenToSimulator((event) => {
        if (event.kind === 'connection')
          void connectionChanged(event.deviceId, event.connectionId !== undefined)
        if (event.kind === 'desk') void deskChanged()
        if (event.kind === 'storage failed') {
          notices.trouble(`The simulated device could not keep its memory in this browser: ${event.message}`)
        }
      })
      for (const { id, connectionId } of await lookAtDesk(client)) {
        if (!connectionId) continue
        await prepare(client, id)
        await refresh(id)
        void cutSwap(id)
      }
    } catch (error) {
      failure.value = messageOf(error)
      for (const device of list.value) device.connected &&= device.info !== undefined
    }
    ready.value = true
    setInterval(() => {
      if (document.visibilityState === 'visible')
        for (const { id, connected } of list.value) if (connected) void refresh(id)
    }, POLL_MS)
  }

  /** Which devices are here is known before their worker answers: they are drawn, and being read. */
  function showStandIns(): void {
    const shipped = DEVICE_MODELS.map(({ id }) => ({ id: standInId(id), modelId: id }))
    for (const { id, modelId } of Array.isArray(lastDesk.value) ? lastDesk.value : shipped) {
      const model = modelById(modelId)
      if (model) show(id, model, true)
    }
  }

  /** The devices that are here, no more and no less. */
  async function lookAtDesk(client: SimulatorClient): Promise<DeviceEntry[]> {
    const entries = await client.devices()
    for (const { id } of list.value) if (!entries.some((entry) => entry.id === id)) known.delete(id)
    for (const { id, modelId, connectionId } of entries) {
      const model = modelById(modelId)
      if (model) show(id, model, connectionId !== undefined)
    }
    return entries
  }

  /** A device was put here or taken away, from this page or another. */
  async function deskChanged(): Promise<void> {
    if (!simulator.value) return
    const before = new Set(known.keys())
    const entries = await lookAtDesk(simulator.value)
    lastDesk.value = entries.map(({ id, modelId }) => ({ id, modelId }))
    for (const { id, connectionId } of entries) if (connectionId && !before.has(id)) await refresh(id)
  }

  /** Puts another simulated device of a model here. @returns its id, or undefined where there is no room for it */
  async function add(modelId: string): Promise<string | undefined> {
    try {
      const id = await simulator.value?.addDevice(modelId)
      await deskChanged()
      return id
    } catch (error) {
      const words = `No device was added: ${messageOf(error)}. Take one away first.`
      notices.trouble(words, undefined, () => known.size >= MOST_DEVICES)
      return undefined
    }
  }

  /** Takes a simulated device away, with what its slots hold. */
  async function remove(id: string): Promise<void> {
    await simulator.value?.removeDevice(id)
    await deskChanged()
  }

  /** What was read of a device already stays. Raw: what it holds goes into the library as it is. */
  function show(id: string, model: DeviceModel, connected: boolean): void {
    const device = known.get(id)
    if (device) device.connected = connected
    else known.set(id, { id, model: markRaw(model), connected, name: '', slots: [] })
  }

  /** The worker with the simulated devices was ended, by the browser or by hand: what they hold is read anew. */
  async function startedAgain(): Promise<void> {
    notices.say(
      'The simulated devices had stopped and were started again. What is on them was read again: each slot holds ' +
        'what it held before or all of what was being written, never a part.',
    )
    failure.value = undefined
    for (const { id } of list.value) await refresh(id, true)
  }

  async function connectionChanged(id: string, connected: boolean): Promise<void> {
    const device = known.get(id)
    if (!device) return
    const before = device.connected
    device.connected = connected
    if (connected) await refresh(id)
    if (before !== connected) noteConnection(device, connected)
    if (connected) await cutSwap(id)
  }

  /** Asks what the device is, and reads its slots where anything changed since. */
  async function refresh(id: string, readAll = false): Promise<void> {
    const device = known.get(id)
    if (!device || device.writing) return
    try {
      await withSession(id, async (session) => {
        const info = await session.info()
        const model = modelByNumber(info.model)
        if (!model) throw new LinkError('refused', `Unisera does not know this model (number ${info.model})`)
        const stale = readAll || device.info?.revision !== info.revision || device.slots.length === 0
        if (stale && model.connections[info.connection]?.configurable)
          await readAllOf(device, session, info.slots)
        noteBattery(device, info)
        noteSlot(device, info.activeSlot)
        const tells = info.logLines > 0 && model.connections[info.connection]?.configurable
        device.log = tells ? await session.log() : []
        device.info = info
        device.connected = true
      })
    } catch (error) {
      if (error instanceof LinkError && error.reason === 'disconnected') device.connected = false
      else failure.value = messageOf(error)
    }
  }

  async function readAllOf(device: KnownDevice, session: LinkSession, count: number): Promise<void> {
    // A firmware of before names has none to tell.
    device.name = await session.name().catch((error: unknown) => {
      if (error instanceof LinkError && error.reason === 'refused') return ''
      throw error
    })
    const slots: SlotContent[] = []
    for (let slot = 0; slot < count; slot++)
      slots.push(slotContent(device, slot, await session.readSlot(slot)))
    device.slots = slots
    device.readAt = Date.now()
  }

  /** What a slot holds, with its macros as those of the library where they are. */
  function slotContent(device: KnownDevice, slot: number, bytes: Uint8Array | undefined): SlotContent {
    macros.read(`${device.id} ${slot}`, bytes)
    return contentOf(bytes, device.model, macros.shelf)
  }

  /** What is on the devices is the same when a macro is edited; which macro of the library it is may not be. */
  watch(
    () => macros.shelf,
    async () => {
      for (const device of list.value) {
        for (const [slot, { bytes }] of device.slots.entries()) {
          await freeThread()
          // It may have been written or cleared meanwhile, and was read anew with that.
          if (device.slots[slot]?.bytes === bytes) device.slots[slot] = slotContent(device, slot, bytes)
        }
      }
    },
  )

  /** Writes an image to a slot, reads it back, and says how it went. */
  async function write(id: string, slot: number, image: Uint8Array, profileId: string): Promise<boolean> {
    const device = known.get(id)
    if (!device || device.writing) return false
    device.outcome = undefined
    device.writing = {
      slot,
      profileId,
      progress: { phase: 'sending', doneBytes: 0, totalBytes: image.length },
    }
    try {
      await withSession(id, (session) =>
        session.writeSlot(slot, image, device.slots[slot]?.bytes, (progress) => {
          if (device.writing) device.writing.progress = progress
        }),
      )
      // The session compared every byte as it came back from flash.
      device.slots[slot] = slotContent(device, slot, image)
      device.readAt = Date.now()
      device.outcome = { slot, profileId, kind: 'written', message: '' }
    } catch (error) {
      const message = writeFailure(error, slot)
      device.outcome = { slot, profileId, kind: 'failed', message }
    } finally {
      device.writing = undefined
    }
    await refresh(id, true)
    return device.outcome?.kind === 'written'
  }

  /** Two slots change places; cut in the middle, it is finished when the device is there again. */
  async function swap(id: string, a: number, b: number): Promise<void> {
    const device = known.get(id)
    if (!device || device.writing || device.swapping || a === b) return
    const images = [device.slots[a]?.bytes, device.slots[b]?.bytes] as const
    if (!images[0] && !images[1]) return
    const journal: Swap = { slots: [a, b], images }
    if (!(await library.attempt(() => swaps.begin(id, journal).then(() => true)))) return
    let done = false
    device.swapping = journal.slots
    await act(id, async (session) => {
      await swaps.finish(id, journal, session)
      done = true
    })
    device.swapping = undefined
    await refresh(id, true)
    if (done)
      deeds.say('devices', `Slots ${a + 1} and ${b + 1} of ${title(device)} changed places`, () =>
        swap(id, a, b),
      )
  }

  /** A swap that a pulled cable or a closed tab has cut. */
  async function finishSwap(id: string): Promise<void> {
    const device = known.get(id)
    const journal = device && (await swaps.underWay(id))
    if (!journal || device.writing || device.swapping) return
    const finished = await withSession(id, (session) => swaps.finish(id, journal, session))
    if (!finished) return
    const [a, b] = journal.slots
    notices.say(
      `The swap of slots ${a + 1} and ${b + 1} of ${title(device)} had been cut; it is finished now`,
    )
    await refresh(id, true)
  }

  /** What keeps it from being finished now keeps it until the next time. */
  const cutSwap = (id: string) => finishSwap(id).catch(() => undefined)

  async function act(id: string, what: (session: LinkSession) => Promise<void>): Promise<void> {
    try {
      await withSession(id, what)
    } catch (error) {
      const words = `${messageOf(error)}. Nothing on the device was changed by half.`
      notices.trouble(words, undefined, () => known.has(id))
    }
    await refresh(id)
  }

  /**
   * Waits for the next press or turn of an input on the device, asking for it again and again.
   *
   * @param stillWanted ends the wait, with nothing found, when it says no
   * @returns the input's id, or undefined when the wait was ended or the device went away
   */
  async function nextPress(id: string, stillWanted: () => boolean): Promise<string | undefined> {
    const device = known.get(id)
    let before: number | undefined
    try {
      while (device && stillWanted()) {
        const info = await withSession(id, (session) => session.info())
        if (before !== undefined && info.presses !== before) {
          return device.model.inputs.find(({ number }) => number === info.lastInput)?.id
        }
        before = info.presses
        await new Promise((resolve) => setTimeout(resolve, LISTEN_MS))
      }
    } catch (error) {
      notices.refuse(`${messageOf(error)}. Choose the input on the drawing instead.`)
    }
    return undefined
  }

  /** Measures a sensor in to its surface. @returns how that stands, or why it could not be asked */
  async function calibrate(id: string, what: number): Promise<CalibrationStatus | string> {
    try {
      return await withSession(id, (session) => session.calibrate(what))
    } catch (error) {
      return `${messageOf(error)}. The device keeps what it was measured in to before.`
    }
  }

  /** Makes a slot, counted from 0, the active one. */
  const select = (id: string, slot: number) => act(id, (session) => session.select(slot))

  async function clear(id: string, slot: number): Promise<void> {
    const content = known.get(id)?.slots[slot]
    await act(id, (session) => session.clear(slot))
    const { bytes, profile } = content ?? {}
    if (!bytes || known.get(id)?.slots[slot]?.bytes) return
    deeds.say('devices', `Slot ${slot + 1}${profile ? `, ${profile.name},` : ''} was cleared`, () =>
      act(id, (session) => session.writeSlot(slot, bytes, undefined)),
    )
  }

  /** Gives a device a name, kept in the device; an empty one takes it away. @returns whether it has it */
  async function rename(id: string, name: string): Promise<boolean> {
    const device = known.get(id)
    if (!device) return false
    const [before, called] = [device.name, title(device)]
    await act(id, (session) => session.rename(name))
    if (known.get(id)?.name !== name) return false
    deeds.say('devices', `${called} is called ${title(device)} now`, () => rename(id, before))
    return true
  }

  /** Everything in a device as from the factory. What its slots held, its name and which slot was on come back by undo. */
  async function reset(id: string): Promise<void> {
    const device = known.get(id)
    if (!device || device.writing) return
    const { slots, name, info } = device
    const called = title(device)
    const revision = info?.revision
    await act(id, (session) => session.reset())
    if (device.info?.revision === revision || device.slots.some(({ bytes }) => bytes)) return
    deeds.say('devices', `${called} is as it left the factory`, () =>
      act(id, async (session) => {
        for (const [slot, { bytes }] of slots.entries())
          if (bytes) await session.writeSlot(slot, bytes, undefined)
        if (name) await session.rename(name)
        if (info) await session.select(info.activeSlot)
      }),
    )
  }

  return {
    list,
    known,
    failure,
    ready,
    linkCounts,
    session: withSession,
    simulator,
    forModel,
    ofModel,
    choose,
    title,
    add,
    remove,
    rename,
    reset,
    start,
    refresh,
    write,
    nextPress,
    calibrate,
    select,
    clear,
    swap,
  }
})
