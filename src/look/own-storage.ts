import { useLocalStorage, type RemovableRef, type UseStorageOptions } from '@vueuse/core'
import { shallowReactive } from 'vue'

type SettingOptions<T> = Omit<UseStorageOptions<T>, 'onError'>

/** Settings that the browser refused to store, by their keys, each with what stores it now. */
export const refusedSettings = shallowReactive(new Map<string, () => void>())

/**
 * A setting of the person's own, kept in this browser and the same in every tab. Where the browser refuses to store it,
 * it still applies in this tab, and is listed in {@link refusedSettings}.
 */
export function useOwnSetting(key: string, initial: string): RemovableRef<string>
export function useOwnSetting(key: string, initial: number): RemovableRef<number>
export function useOwnSetting<T>(key: string, initial: T, options?: SettingOptions<T>): RemovableRef<T>
export function useOwnSetting<T>(key: string, initial: T, options: SettingOptions<T> = {}): RemovableRef<T> {
  const setting = useLocalStorage<T>(key, initial, {
    ...options,
    onError: (error) => {
      // What cannot be parsed is left as it is stored; the default applies.
      if (!(error instanceof DOMException)) return
      refusedSettings.set(key, () => {
        const text = typeof setting.value === 'string' ? setting.value : JSON.stringify(setting.value)
        localStorage.setItem(key, text)
      })
    },
  })
  return setting
}
