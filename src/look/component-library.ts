import { t } from '../messages/page'
import 'vuetify/styles/core'
import 'vuetify/styles/utilities'
import './components.css'
import { useColorMode, useMutationObserver, type BasicColorSchema } from '@vueuse/core'
import { watch, type App } from 'vue'
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import { blueprint } from './blueprint'
import { libraryTexts } from './library-texts'
import { applyOwnLook } from './own-look'
import { useOwnSetting } from './own-storage'
import { themes } from './theme'

/** The theme: light, dark or that of the system; stored in this browser, and shared by both pages. */
export const useTheme = () =>
  useColorMode({
    attribute: 'data-theme',
    storageRef: useOwnSetting<BasicColorSchema>('unisera-theme', 'auto'),
    disableTransition: false,
  })

/** The component library with our look, for both pages. */
export function installComponentLibrary(app: App): void {
  const mode = useTheme()
  const vuetify = createVuetify({
    // Colour classes come from utilities.css: a single `bg-ink`, which does not set the text colour.
    theme: { cspNonce: pageNonce(), defaultTheme: mode.value, themes, utilities: false },
    defaults: blueprint,
    locale: { messages: { en: libraryTexts() } },
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
      const landmark = { role: 'region', 'aria-label': t('look.menusAndDialogs') }
      for (const [name, value] of Object.entries(landmark))
        if (container.childElementCount > 0) container.setAttribute(name, value)
        else container.removeAttribute(name)
    },
    { childList: true },
  )
}

/** The nonce of this page from the server, which its policy requires for styles. */
const pageNonce = (): string | undefined =>
  document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce || undefined
