import { t } from '../../messages/page'
import { baseLayer } from '../../core/document/base-layer'
import { ref, shallowRef, watch } from 'vue'
import { itemAt } from '../../core/base/items'
import { modelById } from '../../core/device/models'
import type { Connection, DeviceModel } from '../../core/device/model'
import { compileProfile } from '../../core/compile/compile'
import { compareChanges, idealChanges, type SentChange } from '../../core/compile/dry-run'
import { lowerMacro } from '../../core/terms/lower-macro'
import type { Macro, MacroShelf } from '../../core/document/macro'
import { PLAY_ONCE } from '../../core/document/action-schema'
import { factoryProfile } from '../../core/terms/profile'
import type { Profile } from '../../core/document/schema'
import { useDevices } from '../stores/devices'
import { errorMessage } from '../stores/notifications'
import type { MacroView } from './macro-view'

/** Maximum part of a macro that is played. */
const MAX_MS = 60_000

export interface DryRunResult {
  changes: SentChange[]
  reports: number
  /** Maximum delay of a change after its ideal time, in ms. */
  worstMs: number
  intervalMs: number
  /** Whether a random delay ends the comparison. */
  cutShort: boolean
}

/** Plays a macro once on a separate simulated device, as it would be sent. */
export function useDryRun(work: MacroView, shelf: () => MacroShelf) {
  const devices = useDevices()
  const result = shallowRef<DryRunResult>()
  const problem = ref<string>()
  const running = ref(false)
  watch(
    () => work.events,
    () => (result.value = undefined),
  )

  async function run(
    macro: Macro,
    modelId: string,
    connectionId: Connection['id'],
    rateHz: number,
  ): Promise<void> {
    const [model, simulator] = [modelById(modelId), devices.simulator]
    if (!model || !simulator) return
    result.value = undefined
    problem.value = undefined
    running.value = true
    try {
      // The current state, which may not be stored yet.
      const current = new Map(shelf()).set(macro.id, macro)
      const ops = lowerMacro(macro, current, work.on)
      const intervalUs = 1e6 / rateHz
      const { changes, known } = idealChanges(ops, intervalUs)
      const inputId = freeInput(model, connectionId)
      const { bytes } = compileProfile(
        boundTo(macro, { model, connectionId, rateHz, inputId, layout: work.layout }),
        model,
        current,
      )
      const lastUs = Math.max(changes.at(-1)?.atUs ?? 0, work.lasts * 1000)
      const forUs = Math.min(lastUs, MAX_MS * 1000)
      const { descriptor, reports } = await simulator.dryRun({
        modelId,
        connectionId,
        inputId,
        forUs,
        image: bytes,
      })
      const compared = compareChanges(changes, descriptor, reports)
      result.value = {
        changes: compared,
        reports: reports.length,
        worstMs: Math.max(0, ...compared.map(({ requestedMs, sentMs }) => sentMs - requestedMs)),
        intervalMs: 1000 / rateHz,
        cutShort: !known,
      }
    } catch (error) {
      problem.value = errorMessage(error)
    }
    running.value = false
  }

  return { result, problem, running, run }
}

/** An input that works over the connection; not the first, because a mouse needs its left click. */
function freeInput({ inputs, connections }: DeviceModel, connectionId: Connection['id']): string {
  const { without } = connections.find(({ id }) => id === connectionId) ?? {}
  const usable = inputs.filter(({ id }) => !without?.inputs.includes(id))
  return (usable.find(({ role }) => role !== 'primary') ?? itemAt(usable, 0)).id
}

function boundTo(
  macro: Macro,
  place: {
    model: DeviceModel
    connectionId: Connection['id']
    rateHz: number
    inputId: string
    layout: MacroView['layout']
  },
): Profile {
  const { model, connectionId, rateHz, inputId, layout } = place
  const blank = factoryProfile(model, t('macros.dryRun'), { layout })
  const base = baseLayer(blank)
  const action = PLAY_ONCE(macro.id)
  return {
    ...blank,
    polling: { ...blank.polling, [connectionId]: rateHz },
    layers: [{ ...base, bindings: { ...base.bindings, [inputId]: { action } } }, ...blank.layers.slice(1)],
  }
}
