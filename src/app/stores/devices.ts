import { t } from '../../messages/page'
import { defineStore } from 'pinia'
import { computed, reactive, shallowRef } from 'vue'
import { connectSimulator, listenToSimulator, type SimulatorClient } from '../../simulator/client'
import { useDevicePolling } from './device-polling'
import { useDeviceDesk } from './device-desk'
import { useDeviceReading } from './device-reading'
import { useDeviceSessions } from './device-sessions'
import { useDeviceSlots } from './device-slots'
import type { KnownDevice } from './known-device'
import { errorMessage, useNotifications } from './notifications'
import { useWhichDevice } from './which-device'

const POLL_MS = 2000

/** Devices with their transports: their information and contents, and writes to them. */
export const useDevices = defineStore('devices', () => {
  const notices = useNotifications()
  const known = reactive(new Map<string, KnownDevice>())
  const failure = shallowRef<string>()
  const ready = shallowRef(false)
  const simulator = shallowRef<SimulatorClient>()
  const list = computed(() => [...known.values()])
  const { linkCounts, withSession } = useDeviceSessions(simulator)
  /** Why this browser cannot store the simulated devices' memory; undefined when it can. */
  const memoryTrouble = shallowRef<string>()
  const { ofModel, forModel, choose, title } = useWhichDevice(list)
  /** Devices that may need filling before the first read. Until then, the interface claims nothing about them. */
  const unread = new Set<string>()
  const { refresh, slotContent, noteConnection } = useDeviceReading({
    known,
    list,
    unread,
    failure,
    withSession,
  })
  const { showStandIns, lookAtDesk, deskChanged, add, remove } = useDeviceDesk({
    known,
    simulator,
    unread,
    refresh,
  })

  /**
   * @param first called for each connected device; returns true if it is filled first, and read by {@link
   *   releaseUnread}
   */
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
      failure.value = errorMessage(error)
      for (const device of list.value) device.connected &&= device.info !== undefined
    }
    ready.value = true
    setInterval(() => {
      if (document.visibilityState === 'visible')
        for (const { id, connected } of list.value) if (connected) void refresh(id)
    }, POLL_MS)
  }

  /** Reads a device after it was filled. */
  async function releaseUnread(id: string): Promise<void> {
    if (unread.delete(id)) await refresh(id, 'all')
  }

  /** The worker with the simulated devices ended: their contents are read again. */
  async function startedAgain(): Promise<void> {
    notices.say(t('stores.theSimulatedDevicesStoppedAndWere'))
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

  const { finishInterruptedSwap, ...slots } = useDeviceSlots({
    known,
    simulator,
    memoryTrouble,
    withSession,
    refresh,
    slotContent,
    title,
  })

  const { nextPress, calibrate } = useDevicePolling(known, withSession)

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
