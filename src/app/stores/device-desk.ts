import { t } from '../../messages/page'
import { StorageSerializers } from '@vueuse/core'
import { markRaw, type ShallowRef } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import { DEVICE_MODELS, modelById } from '../../core/device/models'
import { useOwnSetting } from '../../look/own-storage'
import type { SimulatorClient } from '../../simulator/client'
import { MAX_DEVICES, includedDeviceId, type DeviceEntry } from '../../simulator/api'
import type { KnownDevice } from './known-device'
import { errorMessage, useNotifications } from './notifications'

/**
 * The devices on the desk: listing, adding and removing them.
 *
 * @param unread devices that may be filled before they are read first
 */
export function useDeviceDesk({
  known,
  simulator,
  unread,
  refresh,
}: {
  known: Map<string, KnownDevice>
  simulator: ShallowRef<SimulatorClient | undefined>
  unread: Set<string>
  refresh: (id: string) => Promise<void>
}) {
  const notices = useNotifications()
  /** The devices of the last visit, drawn before the worker answers; null until a device has been added or removed. */
  const lastDesk = useOwnSetting<{ id: string; modelId: string }[] | null>('unisera-desk', null, {
    serializer: StorageSerializers.object,
  })

  /** Draws the devices of the last visit, before the worker answers. */
  function showStandIns(): void {
    const shipped = DEVICE_MODELS.map(({ id }) => ({ id: includedDeviceId(id), modelId: id }))
    for (const { id, modelId } of Array.isArray(lastDesk.value) ? lastDesk.value : shipped) {
      const model = modelById(modelId)
      if (model) show(id, model, true)
      unread.add(id)
    }
  }

  /** Updates the list of devices from the simulator. */
  async function lookAtDesk(client: SimulatorClient): Promise<DeviceEntry[]> {
    const entries = await client.devices()
    for (const { id } of [...known.values()]) if (!entries.some((entry) => entry.id === id)) known.delete(id)
    for (const { id, modelId, connectionId } of entries) {
      const model = modelById(modelId)
      if (model) show(id, model, connectionId !== undefined)
    }
    return entries
  }

  /** Reacts to a device that was added or removed, on this page or another. */
  async function deskChanged(): Promise<void> {
    if (!simulator.value) return
    const before = new Set(known.keys())
    const entries = await lookAtDesk(simulator.value)
    lastDesk.value = entries.map(({ id, modelId }) => ({ id, modelId }))
    for (const { id, connectionId } of entries) if (connectionId && !before.has(id)) await refresh(id)
  }

  /** Adds a simulated device of a model. @returns its id, or undefined if the desk is full */
  async function add(modelId: string): Promise<string | undefined> {
    try {
      const id = await simulator.value?.addDevice(modelId)
      await deskChanged()
      return id
    } catch (error) {
      const words = t('stores.noDeviceWasAddedRemoveADevice', { message: errorMessage(error) })
      notices.trouble(words, undefined, () => known.size >= MAX_DEVICES)
      return undefined
    }
  }

  /** Removes a simulated device and the contents of its slots. */
  async function remove(id: string): Promise<void> {
    await simulator.value?.removeDevice(id)
    await deskChanged()
  }

  /** Shows a device, and keeps its known state. Its model is raw, because it is stored in the library. */
  function show(id: string, model: DeviceModel, connected: boolean): void {
    const device = known.get(id)
    if (device) device.connected = connected
    else known.set(id, { id, model: markRaw(model), connected, name: '', slots: [] })
  }

  return { showStandIns, lookAtDesk, deskChanged, add, remove }
}
