import { useLocalStorage, type RemovableRef, type UseStorageOptions } from '@vueuse/core'
import { shallowReactive } from 'vue'

type SettingOptions<T> = Omit<UseStorageOptions<T>, 'onError'>

/** Settings that the browser could not store, by their keys, each with a function that tries again. */
export const refusedSettings = shallowReactive(new Map<string, () => void>())

/**
 * A setting stored in this browser and shared by all tabs. If the browser cannot store it, it still applies in this
 * tab, and is listed in {@link refusedSettings}.
 */
export function useOwnSetting(key: string, initial: string): RemovableRef<string>
export function useOwnSetting(key: string, initial: number): RemovableRef<number>
export function useOwnSetting<T>(key: string, initial: T, options?: SettingOptions<T>): RemovableRef<T>
export function useOwnSetting<T>(key: string, initial: T, options: SettingOptions<T> = {}): RemovableRef<T> {
  const setting = useLocalStorage<T>(key, initial, {
    ...options,
    onError: (error) => {
      // Values that cannot be parsed stay stored; the default applies.
      if (!(error instanceof DOMException)) return
      refusedSettings.set(key, () => {
        const text = typeof setting.value === 'string' ? setting.value : JSON.stringify(setting.value)
        localStorage.setItem(key, text)
      })
    },
  })
  return setting
}
