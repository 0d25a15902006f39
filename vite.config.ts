import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import vuetify from 'vite-plugin-vuetify'

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true })],
  // Every component here is written with setup; the options API is left out of the build.
  define: {
    __VUE_OPTIONS_API__: false,
    __VUE_PROD_DEVTOOLS__: false,
    __VUE_PROD_HYDRATION_MISMATCH_DETAILS__: false,
  },
  worker: { format: 'es' },
  // The server puts the nonce of each response there.
  html: { cspNonce: '__CSP_NONCE__' },
  build: {
    target: 'es2022',
    // The chart library is one piece of 560 kB that loads with the first chart.
    chunkSizeWarningLimit: 600,
    // Every browser with shared workers of module type preloads modules by itself.
    modulePreload: { polyfill: false },
    rollupOptions: { input: { app: 'index.html', unplugged: 'unplugged.html' } },
  },
})
