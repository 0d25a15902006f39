import '@fontsource-variable/archivo'
import '@fontsource/ibm-plex-mono/400.css'
import '@fontsource/ibm-plex-mono/500.css'
import 'vuetify/styles/core'
import '../look/tokens.css'
import './app.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { createVuetify } from 'vuetify'
import App from './App.vue'
import { router } from './router'

createApp(App)
  .use(createPinia())
  .use(router)
  .use(createVuetify({ defaults: { VMenu: { offset: 4 }, VDialog: { maxWidth: 460 } } }))
  .mount('#app')
