import vue from '@vitejs/plugin-vue'
import { version } from './package.json'
import { PurgeCSS } from 'purgecss'
import { defineConfig, type Plugin } from 'vite'
import vuetify from 'vite-plugin-vuetify'

/** Of the component library's utility classes, the build has those that a template uses; all would be half its style. */
const usedUtilities = (): Plugin => ({
  name: 'used-utilities',
  apply: 'build',
  enforce: 'pre',
  async transform(code, id) {
    if (!id.includes('vuetify') || !/utilities\.css/.test(id)) return undefined
    const [{ css }] = await new PurgeCSS().purge({ content: ['src/**/*.vue'], css: [{ raw: code }] })
    return css
  },
})

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true }), usedUtilities()],
  // Every component here is written with setup; the options API is left out of the build.
  define: {
    __UNISERA_VERSION__: JSON.stringify(version),
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
