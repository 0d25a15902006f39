import { useColorMode } from '@vueuse/core'

/** Light, dark, or whatever the system says; kept in this browser. */
export const useTheme = () =>
  useColorMode({ attribute: 'data-theme', storageKey: 'unisera-theme', disableTransition: false })
