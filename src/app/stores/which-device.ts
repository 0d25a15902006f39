import type { Ref } from 'vue'
import { deviceTitle, type KnownDevice } from './known-device'
import { useOwnSetting } from '../../look/own-storage'

/** The selected device among several of a model, and the title of each. */
export function useWhichDevice(list: Readonly<Ref<readonly KnownDevice[]>>) {
  const chosen = useOwnSetting<Record<string, string>>('unisera-device-of-model', {})
  const ofModel = (modelId: string) => list.value.filter(({ model }) => model.id === modelId)

  /** The device for a profile of this model: the selected one, otherwise a connected one. */
  function forModel(modelId: string): KnownDevice | undefined {
    const all = ofModel(modelId)
    return (
      all.find(({ id }) => id === chosen.value[modelId]) ?? all.find(({ connected }) => connected) ?? all[0]
    )
  }

  function choose({ id, model }: KnownDevice): void {
    chosen.value = { ...chosen.value, [model.id]: id }
  }

  const title = (device: KnownDevice): string => deviceTitle(device, list.value)

  return { ofModel, forModel, choose, title }
}
