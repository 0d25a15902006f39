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

/** Addresses begin like this, and these are their views. */
const FIRST_VIEWS = {
  '/devices': 'devices/DevicesView.vue',
  '/library': 'library/LibraryView.vue',
  '/profile': 'profile/ProfileView.vue',
}

/** What the view of an address needs is fetched beside the application, not after it has begun. */
const viewsBeside = (): Plugin => ({
  name: 'views-beside',
  apply: 'build',
  transformIndexHtml: {
    order: 'post',
    handler(_, { bundle, chunk }) {
      if (!bundle || chunk?.name !== 'app') return []
      const neededBy = (file: string, found = new Set<string>()): Set<string> => {
        const part = bundle[file]
        if (found.has(file) || part?.type !== 'chunk') return found
        found.add(file)
        for (const imported of part.imports) neededBy(imported, found)
        return found
      }
      const withStyles = (file: string): string[] => {
        const part = bundle[file]
        return [file, ...(part.type === 'chunk' ? (part.viteMetadata?.importedCss ?? []) : [])]
      }
      const there = neededBy(chunk.fileName)
      const files = Object.entries(FIRST_VIEWS).map(([address, view]) => {
        const part = Object.values(bundle).find(
          (each) => each.type === 'chunk' && each.facadeModuleId?.endsWith(view),
        )
        if (!part) throw new Error(`the build has no ${view}`)
        return [address, [...neededBy(part.fileName)].filter((file) => !there.has(file)).flatMap(withStyles)]
      })
      const script = `
        const views = ${JSON.stringify(Object.fromEntries(files))}
        const path = location.pathname === '/' ? '/devices' : location.pathname
        const view = Object.keys(views).find((address) => path === address || path.startsWith(address + '/'))
        for (const file of views[view] ?? []) {
          const link = document.createElement('link')
          const how = file.endsWith('.css') ? { rel: 'preload', as: 'style' } : { rel: 'modulepreload' }
          document.head.append(Object.assign(link, how, { crossOrigin: '', href: '/' + file }))
        }`
      return [
        { tag: 'script', attrs: { nonce: '__CSP_NONCE__' }, children: script, injectTo: 'head-prepend' },
      ]
    },
  },
})

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true }), usedUtilities(), viewsBeside()],
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
