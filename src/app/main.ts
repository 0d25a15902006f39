import '@fontsource-variable/archivo'
import '@fontsource/ibm-plex-mono/400.css'
import '@fontsource/ibm-plex-mono/500.css'
import '../look/tokens.css'
import '../look/utilities.css'
import './shell/app.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { installComponentLibrary } from '../look/component-library'
import { yieldThread } from './database/yield-thread'
import { catchFaults } from '../faults/faults'
import { FIRST_AREAS } from '../messages/areas'
import { loadMessages } from '../messages/page'
import App from './shell/App.vue'
import { createAppRouter } from './shell/router'

async function start(): Promise<void> {
  const app = createApp(App)
  catchFaults(app)
  const router = createAppRouter()
  app.use(createPinia()).use(router)
  // The current view loads during the set-up of the component library; the page is then drawn once.
  await Promise.all([loadMessages(FIRST_AREAS), yieldThread()])
  installComponentLibrary(app)
  await router.isReady().catch(() => undefined)
  app.mount('#app')
}

void start()
