import '@fontsource-variable/archivo'
import '@fontsource/ibm-plex-mono/400.css'
import '../look/tokens.css'
import '../look/utilities.css'
import { createApp } from 'vue'
import { catchFaults } from '../faults/faults'
import { installComponentLibrary } from '../look/component-library'
import UnpluggedPage from './UnpluggedPage.vue'

const app = createApp(UnpluggedPage)
catchFaults(app)
installComponentLibrary(app)
app.mount('#unplugged')
