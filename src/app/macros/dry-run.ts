import { baseLayer } from '../../core/document/base-layer'
import { ref, shallowRef, watch } from 'vue'
import { itemAt } from '../../core/base/items'
import { modelById } from '../../core/device/models'
import type { Connection, DeviceModel } from '../../core/device/model'
import { compileProfile } from '../../core/compile/compile'
import { comparedChanges, wantedChanges, type SentChange } from '../../core/compile/dry-run'
import { lowerMacro } from '../../core/terms/lower-macro'
import type { Macro, MacroShelf } from '../../core/document/macro'
import { playedOnce } from '../../core/document/action-schema'
import { factoryProfile } from '../../core/terms/profile'
import type { Profile } from '../../core/document/schema'
import { useDevices } from '../stores/devices'
import { messageOf } from '../stores/notices'
import type { MacroWork } from './work'

/** Longest stretch of a macro that is looked at. */
const MOST_MS = 60_000

export interface DryRunResult {
  changes: SentChange[]
  reports: number
  /** Largest delay of a change behind the moment it was wanted, in ms. */
  worstMs: number
  intervalMs: number
  /** Whether a wait that is drawn anew ends what can be compared. */
  cutShort: boolean
}

/** Plays a macro once as a device would send it, on a simulated device of its own. */
export function useDryRun(work: MacroWork, shelf: () => MacroShelf) {
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
      // The state at hand: what is stored may come a moment after it.
      const current = new Map(shelf()).set(macro.id, macro)
      const ops = lowerMacro(macro, current, work.on)
      const intervalUs = 1e6 / rateHz
      const { changes, known } = wantedChanges(ops, intervalUs)
      const inputId = freeInput(model, connectionId)
      const { bytes } = compileProfile(
        boundTo(macro, { model, connectionId, rateHz, inputId, layout: work.layout }),
        model,
        current,
      )
      const lastUs = Math.max(changes.at(-1)?.atUs ?? 0, work.lasts * 1000)
      const forUs = Math.min(lastUs, MOST_MS * 1000)
      const { descriptor, reports } = await simulator.dryRun({
        modelId,
        connectionId,
        inputId,
        forUs,
        image: bytes,
      })
      const compared = comparedChanges(changes, descriptor, reports)
      result.value = {
        changes: compared,
        reports: reports.length,
        worstMs: Math.max(0, ...compared.map(({ wantedMs, sentMs }) => sentMs - wantedMs)),
        intervalMs: 1000 / rateHz,
        cutShort: !known,
      }
    } catch (error) {
      problem.value = messageOf(error)
    }
    running.value = false
  }

  return { result, problem, running, run }
}

/** An input that does something over the connection; not the first, without which a mouse cannot click. */
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
    layout: MacroWork['layout']
  },
): Profile {
  const { model, connectionId, rateHz, inputId, layout } = place
  const blank = factoryProfile(model, 'Dry run', { layout })
  const base = baseLayer(blank)
  const action = playedOnce(macro.id)
  return {
    ...blank,
    polling: { ...blank.polling, [connectionId]: rateHz },
    layers: [{ ...base, bindings: { ...base.bindings, [inputId]: { action } } }, ...blank.layers.slice(1)],
  }
}
