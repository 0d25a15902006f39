import { computed, shallowRef, type ComputedRef } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import { lightsIn, lightTargetOf } from '../../core/edits/light-edits'
import type { StackedEffect } from '../../core/document/light'

/** The lights selected on the drawing, which the next effect uses. */
export function useSelectedLights(model: ComputedRef<DeviceModel | undefined>) {
  const chosen = shallowRef<ReadonlySet<string>>(new Set())

  /** The selection as a light target; all lights if it is empty. */
  const selectedPlace = computed(() =>
    model.value && chosen.value.size > 0
      ? lightTargetOf(model.value, [...chosen.value])
      : ({ kind: 'all' } as const),
  )

  /** @param how replaces the selection, or toggles them in it */
  function choose(ids: readonly string[], how: 'only' | 'toggle' = 'only'): void {
    const next = new Set(how === 'only' ? [] : chosen.value)
    const allIn = ids.every((id) => chosen.value.has(id))
    for (const id of ids) {
      if (how === 'toggle' && allIn) next.delete(id)
      else next.add(id)
    }
    chosen.value = next
  }

  const lightsOf = (item: StackedEffect): string[] => (model.value ? lightsIn(model.value, item.where) : [])

  return { chosen, selectedPlace, choose, lightsOf }
}
