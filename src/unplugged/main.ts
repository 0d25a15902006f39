import '@fontsource-variable/archivo'
import '@fontsource/ibm-plex-mono/400.css'
import '../look/tokens.css'
import '../look/utilities.css'
import { createApp } from 'vue'
import { catchFaults } from '../faults/faults'
import { installComponentLibrary } from '../look/component-library'
import { loadMessages } from '../messages/page'
import UnpluggedPage from './UnpluggedPage.vue'

async function start(): Promise<void> {
  const app = createApp(UnpluggedPage)
  catchFaults(app)
  await loadMessages(['events', 'faults', 'helper', 'link', 'look', 'models', 'names', 'unplugged'])
  installComponentLibrary(app)
  app.mount('#unplugged')
}

void start()
