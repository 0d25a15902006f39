import { t } from '../../messages/page'
import { useEventListener } from '@vueuse/core'
import { onScopeDispose, ref, watch, type Ref } from 'vue'
import type { Connection, DeviceModel } from '../../core/device/model'
import { CompileError, compileProfile } from '../../core/compile/compile'
import { LinkSession } from '../../core/link/session'
import type { Profile } from '../../core/document/schema'
import { simulatedTransport } from '../../simulator/client'
import { useDevices } from '../stores/devices'
import { useMacros } from '../stores/macros'
import { errorMessage } from '../stores/notifications'

/** The profile to try, and its device. */
export interface TryOutSource {
  profile: () => Profile | undefined
  model: () => DeviceModel | undefined
  connectionId: () => Connection['id']
  /** The person's own device of that model, if there is one: the try-out uses its surface. */
  deviceId: () => string | undefined
}

/**
 * Borrows a simulated device for a view, and writes the open profile to it after every edit. The person's own device
 * does not change.
 *
 * @param step the step to try instead of the default; undefined for none
 * @param taken called after another device was borrowed
 */
export function useBorrowedDevice(
  source: TryOutSource,
  step: Readonly<Ref<number | undefined>>,
  taken: () => void,
) {
  const devices = useDevices()
  const macros = useMacros()
  const id = ref<string>()
  const problem = ref<string>()
  let base: Uint8Array | undefined
  let wanted: Uint8Array | undefined
  let writing = false
  let borrowings = 0

  /** Borrows a device while this view is open, and another one when model or connection change. */
  async function borrow(): Promise<void> {
    const turn = ++borrowings
    const [model, client] = [source.model(), devices.simulator]
    if (!model?.sensor || !client) return
    const before = id.value
    id.value = undefined
    if (before) await client.giveBack(before)
    const lent = await client.borrow(model.id, source.connectionId())
    // Requested again meanwhile, or the view is gone: this one is not needed.
    if (turn !== borrowings) return void client.giveBack(lent)
    id.value = lent
    taken()
    base = undefined
    await resemble()
    void write()
  }

  async function resemble(): Promise<void> {
    const [own, client] = [source.deviceId(), devices.simulator]
    if (id.value && own) await client?.resemble(id.value, own)
  }
  watch([source.model, source.connectionId, () => devices.simulator], () => void borrow(), {
    immediate: true,
  })
  function giveBack(): void {
    borrowings++
    if (id.value) void devices.simulator?.giveBack(id.value)
  }
  onScopeDispose(giveBack)
  useEventListener('beforeunload', giveBack)

  /** The profile's image with the tried step as its default; otherwise the bytes for the device. */
  function image(): Uint8Array | undefined {
    const [profile, model] = [source.profile(), source.model()]
    if (!profile || !model) return undefined
    try {
      const tried = Math.min(step.value ?? profile.defaultStep, profile.steps.length - 1)
      problem.value = undefined
      return compileProfile({ ...profile, defaultStep: Math.max(0, tried) }, model, macros.shelf).bytes
    } catch (error) {
      if (!(error instanceof CompileError)) throw error
      problem.value = t('motion.theProfileHasAnErrorSoThe')
      return undefined
    }
  }

  /** Writes over the link as usual; during a write, only the newest state waits. */
  async function write(): Promise<void> {
    wanted = image() ?? wanted
    const [client, device] = [devices.simulator, id.value]
    if (writing || !client || !device) return
    writing = true
    try {
      while (wanted && device === id.value) {
        const next = wanted
        wanted = undefined
        await new LinkSession(simulatedTransport(client, device)).writeSlot(0, next, base)
        base = next
      }
    } catch (error) {
      base = undefined
      if (device === id.value) problem.value = errorMessage(error)
    }
    writing = false
    // Another device was borrowed meanwhile, which is still empty.
    if (device !== id.value) void write()
  }
  watch([source.profile, step, () => macros.shelf], () => void write())

  return {
    id,
    problem,
    resemble,
    /** Whether the profile has been written to it. */
    holdsProfile: () => base !== undefined,
  }
}
