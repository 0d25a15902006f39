import { StorageSerializers } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, markRaw, reactive, shallowRef, watch } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import { DEVICE_MODELS, modelById, modelByNumber } from '../../core/device/models'
import type { CalibrationStatus } from '../../core/link/packets'
import { type LinkSession } from '../../core/link/session'
import { LinkError } from '../../core/link/link-error'
import { connectSimulator, listenToSimulator, type SimulatorClient } from '../../simulator/client'
import { MOST_DEVICES, standInId, type DeviceEntry } from '../../simulator/face'
import { freeThread } from '../database/free-thread'
import { useDeviceNotices } from './device-notices'
import { useDeviceSessions } from './device-sessions'
import { useDeviceSlots } from './device-slots'
import { contentOf, type KnownDevice, type SlotContent } from './known-device'
import { useMacros } from './macros'
import { messageOf, useNotices } from './notices'
import { useWhichDevice } from './which-device'
import { useOwnSetting } from '../../look/own-storage'

const POLL_MS = 2000
/** Between two questions while a press is waited for. */
const LISTEN_MS = 60

/** Devices behind their transports: what they are and hold, and the writes to them. */
export const useDevices = defineStore('devices', () => {
  const notices = useNotices()
  const macros = useMacros()
  const known = reactive(new Map<string, KnownDevice>())
  const failure = shallowRef<string>()
  const ready = shallowRef(false)
  const simulator = shallowRef<SimulatorClient>()
  const list = computed(() => [...known.values()])
  const { linkCounts, withSession } = useDeviceSessions(simulator)
  const { noteBattery, noteSlot, noteConnection } = useDeviceNotices(known)
  /** Why this browser cannot store the simulated devices' memory; undefined when it can. */
  const memoryTrouble = shallowRef<string>()
  const { ofModel, forModel, choose, title } = useWhichDevice(list)
  /** The devices of the last visit: drawn before their worker answers. None where nothing was put here or taken away. */
  const lastDesk = useOwnSetting<{ id: string; modelId: string }[] | null>('unisera-desk', null, {
    serializer: StorageSerializers.object,
  })

  /** Devices that may need filling before the first read. Until then, the interface claims nothing about them. */
  const unread = new Set<string>()

  /** @param first asked of each connected device; true where it is filled first, and read by {@link releaseUnread} */
  async function start(first: (client: SimulatorClient, id: string) => Promise<boolean>): Promise<void> {
    showStandIns()
    try {
      const client = connectSimulator(() => void startedAgain())
      simulator.value = client
      listenToSimulator((event) => {
        if (event.kind === 'connection')
          void connectionChanged(event.deviceId, event.connectionId !== undefined)
        if (event.kind === 'desk') void deskChanged()
        if (event.kind === 'memory') memoryTrouble.value = event.trouble
      })
      for (const { id, connectionId } of await lookAtDesk(client)) {
        if (!connectionId) unread.delete(id)
        else if (!(await first(client, id))) {
          await releaseUnread(id)
          void finishInterruptedSwap(id)
        }
      }
      memoryTrouble.value = await client.memoryTrouble()
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

  /** Reads a device that was to be filled first. */
  async function releaseUnread(id: string): Promise<void> {
    if (unread.delete(id)) await refresh(id, 'all')
  }

  /** Which devices are here is known before their worker answers: they are drawn, and being read. */
  function showStandIns(): void {
    const shipped = DEVICE_MODELS.map(({ id }) => ({ id: standInId(id), modelId: id }))
    for (const { id, modelId } of Array.isArray(lastDesk.value) ? lastDesk.value : shipped) {
      const model = modelById(modelId)
      if (model) show(id, model, true)
      unread.add(id)
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
    for (const { id } of list.value) await refresh(id, 'all')
  }

  async function connectionChanged(id: string, connected: boolean): Promise<void> {
    const device = known.get(id)
    if (!device) return
    const before = device.connected
    device.connected = connected
    if (connected) await refresh(id)
    if (before !== connected) noteConnection(device, connected)
    if (connected) await finishInterruptedSwap(id)
  }

  /**
   * Asks what the device is, and reads its slots where anything changed since.
   *
   * @param read `all` to read in any case, or the revision to expect if no other program wrote
   */
  async function refresh(id: string, read?: 'all' | number): Promise<void> {
    const device = known.get(id)
    if (!device || device.writing || unread.has(id)) return
    try {
      await withSession(id, async (session) => {
        const info = await session.info()
        const model = modelByNumber(info.model)
        if (!model) throw new LinkError('refused', `Unisera does not know this model (number ${info.model})`)
        const same = info.revision === read || info.revision === device.info?.revision
        const stale = read === 'all' || !same || device.slots.length === 0
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

  const { finishInterruptedSwap, ...slots } = useDeviceSlots({
    known,
    simulator,
    memoryTrouble,
    withSession,
    refresh,
    slotContent,
    title,
  })

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
      notices.refuse(`${messageOf(error)}. Select the input on the drawing instead.`)
    }
    return undefined
  }

  /** Calibrates a sensor for its surface. @returns how far that is, or why it could not be asked */
  async function calibrate(id: string, what: number): Promise<CalibrationStatus | string> {
    try {
      return await withSession(id, (session) => session.calibrate(what))
    } catch (error) {
      return `${messageOf(error)}. The device keeps its previous calibration.`
    }
  }

  return {
    list,
    known,
    failure,
    memoryTrouble,
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
    start,
    releaseUnread,
    refresh,
    nextPress,
    calibrate,
    ...slots,
  }
})
