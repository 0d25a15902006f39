import '@fontsource-variable/archivo'
import '@fontsource/ibm-plex-mono/400.css'
import '@fontsource/ibm-plex-mono/500.css'
import '../look/tokens.css'
import '../look/utilities.css'
import './shell/app.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { installComponentLibrary } from '../look/component-library'
import { freeThread } from './database/free-thread'
import { catchFaults } from '../faults/faults'
import App from './shell/App.vue'
import { createAppRouter } from './shell/router'

async function start(): Promise<void> {
  const app = createApp(App)
  catchFaults(app)
  const router = createAppRouter()
  app.use(createPinia()).use(router)
  // The view of the address loads while the component library is set up; the page is then drawn once, with it.
  await freeThread()
  installComponentLibrary(app)
  await router.isReady().catch(() => undefined)
  app.mount('#app')
}

void start()
