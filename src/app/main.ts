import '@fontsource-variable/archivo'
import '@fontsource/ibm-plex-mono/400.css'
import '@fontsource/ibm-plex-mono/500.css'
import '../look/tokens.css'
import './shell/app.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { installComponentLibrary } from '../look/component-library'
import App from './shell/App.vue'
import { createAppRouter } from './shell/router'

const app = createApp(App)
installComponentLibrary(app)
app.use(createPinia()).use(createAppRouter()).mount('#app')
