import 'vuetify/styles/core'
import { createVuetify } from 'vuetify'
import type { App } from 'vue'

/** Menus, dialogs and sliders. They load with the first view that has one, not with the first view there is. */
export function installComponentLibrary(app: App): void {
  app.use(createVuetify({ defaults: { VMenu: { offset: 4 }, VDialog: { maxWidth: 460 } } }))
}
