import 'vuetify/styles/core'
import 'vuetify/styles/utilities'
import './components.css'
import { useColorMode, useMutationObserver, type BasicColorSchema } from '@vueuse/core'
import { watch, type App } from 'vue'
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import { blueprint } from './blueprint'
import { applyOwnLook } from './own-look'
import { useOwnSetting } from './own-storage'
import { themes } from './theme'

/** Light, dark, or whatever the system says; kept in this browser, and the same on both pages. */
export const useTheme = () =>
  useColorMode({
    attribute: 'data-theme',
    storageRef: useOwnSetting<BasicColorSchema>('unisera-theme', 'auto'),
    disableTransition: false,
  })

/** The component library in our look, for both pages. */
export function installComponentLibrary(app: App): void {
  const mode = useTheme()
  const vuetify = createVuetify({
    // Classes of colours are utilities.css's: one `bg-ink` for both, and it says nothing of what stands on it.
    theme: { cspNonce: pageNonce(), defaultTheme: mode.value, themes, utilities: false },
    defaults: blueprint,
    icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  })
  watch(mode, (now) => vuetify.theme.change(now))
  applyOwnLook()
  addOverlayContainer()
  app.use(vuetify)
}

/**
 * Creates the container of menus and dialogs before the component library does. It is a landmark while it has content,
 * so that all content of the page is in a landmark.
 */
function addOverlayContainer(): void {
  const container = document.createElement('div')
  container.className = 'v-overlay-container'
  document.body.append(container)
  useMutationObserver(
    container,
    () => {
      const landmark = { role: 'region', 'aria-label': 'Open over the page' }
      for (const [name, value] of Object.entries(landmark))
        if (container.childElementCount > 0) container.setAttribute(name, value)
        else container.removeAttribute(name)
    },
    { childList: true },
  )
}

/** The nonce the server gave this page: styles that carry it are let through by its policy. */
const pageNonce = (): string | undefined =>
  document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce || undefined
