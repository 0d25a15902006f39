import '@fontsource-variable/archivo'
import '@fontsource/ibm-plex-mono/400.css'
import '../look/tokens.css'
import { createApp } from 'vue'
import UnpluggedPage from './UnpluggedPage.vue'

createApp(UnpluggedPage).mount('#unplugged')
