import type { Ref } from 'vue'
import { titleOf, type KnownDevice } from './known-device'
import { useOwnSetting } from '../../look/own-storage'

/** Which device is meant, where there are several of a model, and what each is called. */
export function useWhichDevice(list: Readonly<Ref<readonly KnownDevice[]>>) {
  const chosen = useOwnSetting<Record<string, string>>('unisera-device-of-model', {})
  const ofModel = (modelId: string) => list.value.filter(({ model }) => model.id === modelId)

  /** The device a profile of that model goes to: the one that was chosen, else one that is connected. */
  function forModel(modelId: string): KnownDevice | undefined {
    const all = ofModel(modelId)
    return (
      all.find(({ id }) => id === chosen.value[modelId]) ?? all.find(({ connected }) => connected) ?? all[0]
    )
  }

  function choose({ id, model }: KnownDevice): void {
    chosen.value = { ...chosen.value, [model.id]: id }
  }

  const title = (device: KnownDevice): string => titleOf(device, list.value)

  return { ofModel, forModel, choose, title }
}
