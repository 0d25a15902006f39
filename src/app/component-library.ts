import 'vuetify/styles/core'
import { createVuetify } from 'vuetify'
import type { App } from 'vue'

const installed = new WeakSet<App>()

/** Menus, dialogs, buttons and sliders. They load with the first view that has one, not with the first view there is. */
export function installComponentLibrary(app: App): void {
  if (installed.has(app)) return
  installed.add(app)
  app.use(
    createVuetify({
      theme: { cspNonce: pageNonce() },
      defaults: {
        VMenu: { offset: 4 },
        VDialog: { maxWidth: 460 },
        VBtn: { variant: 'outlined', ripple: false, rounded: 'md', density: 'comfortable', class: 'own' },
        VProgressLinear: { color: 'var(--ink)', rounded: true },
        VTable: { class: 'own' },
      },
    }),
  )
}

/** The nonce the server gave this page: styles that carry it are let through by its policy. */
const pageNonce = (): string | undefined =>
  document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce || undefined
