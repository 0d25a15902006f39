import 'vuetify/styles/core'
import { createVuetify } from 'vuetify'
import type { App } from 'vue'

/** Menus, dialogs and sliders. They load with the first view that has one, not with the first view there is. */
export function installComponentLibrary(app: App): void {
  app.use(
    createVuetify({
      theme: { cspNonce: pageNonce() },
      defaults: { VMenu: { offset: 4 }, VDialog: { maxWidth: 460 } },
    }),
  )
}

/** The nonce the server gave this page: styles that carry it are let through by its policy. */
const pageNonce = (): string | undefined =>
  document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce || undefined
