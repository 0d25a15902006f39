import 'vuetify/styles/core'
import { createPinia } from 'pinia'
import { createApp, h } from 'vue'
import { createRouter, createWebHashHistory, RouterView } from 'vue-router'
import { createVuetify } from 'vuetify'
import BareView from './BareView.vue'

/** What a page costs that has the same libraries and nothing to do: the application's first view is measured by it. */
createApp({ render: () => h(RouterView) })
  .use(createPinia())
  .use(
    createRouter({ history: createWebHashHistory(), routes: [{ path: '/:rest(.*)', component: BareView }] }),
  )
  .use(createVuetify())
  .mount('#app')
