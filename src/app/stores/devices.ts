import { defineStore } from 'pinia'
import { computed, markRaw, reactive, shallowRef, watch } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import { DEVICE_MODELS, modelByNumber, modelById } from '../../core/device/models'
import { decompileImage } from '../../core/compile/decompile'
import type { MacroShelf } from '../../core/document/macro'
import type { CalibrationStatus, DeviceInfo, LogLine } from '../../core/link/packets'
import { LinkError, LinkSession, type WriteProgress } from '../../core/link/session'
import type { Swap } from '../../core/link/swap'
import { settingsInForce } from '../../core/document/device-settings'
import type { Profile } from '../../core/document/schema'
import {
  connectSimulator,
  listenToSimulator,
  simulatedTransport,
  type SimulatorClient,
} from '../../simulator/client'
import { standInId } from '../../simulator/face'
import { freeThread } from '../database/free-thread'
import { useDeeds } from './deeds'
import { useLibrary } from './library'
import { useMacros } from './macros'
import { messageOf, useNotices } from './notices'
import { useSwaps } from './swaps'

/** What was last read back from a slot. */
export interface SlotContent {
  bytes: Uint8Array | undefined
  profile: Profile | undefined
  /** Why the bytes are no profile, where they are none. */
  problem?: string
}

/** A device as the app knows it. What it holds stays known when it is unplugged, with the time it was read. */
export interface KnownDevice {
  id: string
  model: DeviceModel
  connected: boolean
  info?: DeviceInfo
  /** What it met and does not implement. */
  log?: readonly LogLine[]
  slots: SlotContent[]
  readAt?: number
  /** A write under way. */
  writing?: { slot: number; profileId: string; progress: WriteProgress }
  /** Two slots that change places, counted from 0. */
  swapping?: readonly [number, number]
  /** How the last write ended, until the next one. */
  outcome?: { slot: number; profileId: string; kind: 'written' | 'failed'; message: string }
}

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
  const forModel = (modelId: string) => list.value.find(({ model }) => model.id === modelId)

  /** @param prepare done to each connected device before it is first read */
  async function start(prepare: (client: SimulatorClient, id: string) => Promise<void>): Promise<void> {
    showStandIns()
    try {
      const client = connectSimulator(() => void startedAgain())
      simulator.value = client
      listenToSimulator((event) => {
        if (event.kind === 'connection')
          void connectionChanged(event.deviceId, event.connectionId !== undefined)
        if (event.kind === 'storage failed') {
          notices.trouble(`The simulated device could not keep its memory in this browser: ${event.message}`)
        }
      })
      for (const { id, modelId, connectionId } of await client.devices()) {
        const model = modelById(modelId)
        if (!model) continue
        show(id, model, connectionId !== undefined)
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

  /** Which devices ship with Unisera is known before their worker answers: they are drawn, and being read. */
  function showStandIns(): void {
    for (const model of DEVICE_MODELS) show(standInId(model.id), model, true)
  }

  /** What was read of a device already stays. Raw: what it holds goes into the library as it is. */
  function show(id: string, model: DeviceModel, connected: boolean): void {
    const device = known.get(id)
    if (device) device.connected = connected
    else known.set(id, { id, model: markRaw(model), connected, slots: [] })
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

  /** One session at a time, across all tabs. */
  async function withSession<T>(id: string, act: (session: LinkSession) => Promise<T>): Promise<T> {
    const client = simulator.value
    if (!client) throw new LinkError('disconnected', 'No device is connected')
    return navigator.locks.request(`unisera link ${id}`, () =>
      act(new LinkSession(simulatedTransport(client, id))),
    )
  }

  async function connectionChanged(id: string, connected: boolean): Promise<void> {
    const device = known.get(id)
    if (!device) return
    device.connected = connected
    if (!connected) return
    await refresh(id)
    await cutSwap(id)
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
          await readSlots(device, session, info.slots)
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

  /** Devices of which it was said that their charge is low, until it is not. */
  const saidLow = new Set<string>()

  /** The device gives notice by its light; who looks at the screen is told here, once. */
  function noteBattery(
    { id, model, slots }: KnownDevice,
    { activeSlot, charging, batteryPercent }: DeviceInfo,
  ): void {
    const { noticePercent = 0 } = settingsInForce(slots[activeSlot]?.profile?.settings ?? {}, model)
    if (charging || batteryPercent > noticePercent) saidLow.delete(id)
    else if (!saidLow.has(id)) {
      saidLow.add(id)
      notices.say(
        `${model.name} has ${batteryPercent} % of its charge left. Its cable charges it while it is used.`,
      )
    }
  }

  /** The device tells another slot by its light; who looks at the screen is told here. */
  function noteSlot({ model, slots, info }: KnownDevice, active: number): void {
    if (!info || info.activeSlot === active) return
    const name = slots[active]?.profile?.name
    notices.say(`${model.name} is in slot ${active + 1} now: ${name ? `“${name}”` : 'nothing is in it'}`)
  }

  async function readSlots(device: KnownDevice, session: LinkSession, count: number): Promise<void> {
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
      deeds.say('devices', `Slots ${a + 1} and ${b + 1} of ${device.model.name} changed places`, () =>
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
      `The swap of slots ${a + 1} and ${b + 1} of ${device.model.name} had been cut; it is finished now`,
    )
    await refresh(id, true)
  }

  /** What keeps it from being finished now keeps it until the next time. */
  const cutSwap = (id: string) => finishSwap(id).catch(() => undefined)

  async function act(id: string, what: (session: LinkSession) => Promise<void>): Promise<void> {
    try {
      await withSession(id, what)
    } catch (error) {
      notices.trouble(`${messageOf(error)}. Nothing on the device was changed by half.`)
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
      notices.trouble(`${messageOf(error)}. Choose the input on the drawing instead.`)
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

  return {
    list,
    known,
    failure,
    ready,
    simulator,
    forModel,
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

/** Kept raw: a profile read from a device is stored in the library as it is. */
function contentOf(bytes: Uint8Array | undefined, model: DeviceModel, macros: MacroShelf): SlotContent {
  if (!bytes) return markRaw({ bytes, profile: undefined })
  try {
    return markRaw({ bytes, profile: decompileImage(bytes, model, macros) })
  } catch (error) {
    return markRaw({ bytes, profile: undefined, problem: messageOf(error) })
  }
}

/** What happened, what is safe, what to do. */
function writeFailure(error: unknown, slot: number): string {
  if (error instanceof LinkError && error.reason === 'disconnected') {
    return (
      `The device went away during the write. Slot ${slot + 1} holds what it held before, or all of the new ` +
      'profile, never a part. Your edits are safe here. Connect the device and it is read again.'
    )
  }
  return `${messageOf(error)}. Your edits are safe here; the slot was not left half written.`
}
