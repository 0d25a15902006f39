import 'vuetify/styles/core'
import { createPinia } from 'pinia'
import { createApp, h } from 'vue'
import { createRouter, createWebHashHistory, RouterView } from 'vue-router'
import { createVuetify } from 'vuetify'
import BareView from './BareView.vue'

/** The reference for the first view: a page with the same libraries and no application. */
createApp({ render: () => h(RouterView) })
  .use(createPinia())
  .use(
    createRouter({ history: createWebHashHistory(), routes: [{ path: '/:rest(.*)', component: BareView }] }),
  )
  .use(createVuetify())
  .mount('#app')
