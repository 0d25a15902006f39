import { computed, shallowRef, type ComputedRef } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import { lightsIn, placeOf } from '../../core/edits/light-edits'
import type { StackedEffect } from '../../core/document/light'

/** The lights that are chosen on the drawing; the next effect is put on them. */
export function useChosenLights(model: ComputedRef<DeviceModel | undefined>) {
  const chosen = shallowRef<ReadonlySet<string>>(new Set())

  /** They as a place of light; all where none is chosen. */
  const chosenPlace = computed(() =>
    model.value && chosen.value.size > 0
      ? placeOf(model.value, [...chosen.value])
      : ({ kind: 'all' } as const),
  )

  /** @param how as the only ones, or in and out of those that are chosen */
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

  return { chosen, chosenPlace, choose, lightsOf }
}
