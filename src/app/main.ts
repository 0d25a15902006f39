import '@fontsource-variable/archivo'
import '@fontsource/ibm-plex-mono/400.css'
import '@fontsource/ibm-plex-mono/500.css'
import '../look/tokens.css'
import './app.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { createAppRouter } from './router'

const app = createApp(App)
app.use(createPinia()).use(createAppRouter(app)).mount('#app')
