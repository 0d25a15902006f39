import tailwind from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import { readdirSync, readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { itemAt, valueOf } from './src/core/base/items'
import { dependencies, version } from './package.json'
import { writeCacheCare } from './scripts/cache-care.ts'
import { PurgeCSS } from 'purgecss'
import { defineConfig, type Plugin } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import vuetify from 'vite-plugin-vuetify'

/** Keeps only the utility classes of the component library that a template uses; all of them would be half of the CSS. */
const usedUtilities = (): Plugin => ({
  name: 'used-utilities',
  apply: 'build',
  enforce: 'pre',
  async transform(code, id) {
    if (!id.includes('vuetify') || !/utilities\.css/.test(id)) return undefined
    const { css } = itemAt(await new PurgeCSS().purge({ content: ['src/**/*.vue'], css: [{ raw: code }] }), 0)
    return css
  },
})

/** Leaves out the date adapter of the component library: no date picker is used, and every page would load it. */
const withoutDates = (): Plugin => ({
  name: 'without-dates',
  apply: 'build',
  enforce: 'pre',
  transform: (_, id) =>
    /vuetify\/lib\/composables\/date\/adapters\/vuetify\.js/.test(id)
      ? 'export class VuetifyDateAdapter {}'
      : undefined,
})

/**
 * A service worker stores the whole build and serves it until the person installs a newer one. A page is stored with its
 * Content-Security-Policy, including the nonce.
 */
const withoutNetwork = () =>
  VitePWA({
    registerType: 'prompt',
    injectRegister: false,
    manifest: {
      id: '/',
      name: 'Unisera',
      short_name: 'Unisera',
      description: 'Configure a gaming mouse or keyboard and save profiles to its onboard memory',
      start_url: '/',
      display: 'standalone',
      background_color: '#faf9f4',
      theme_color: '#1c212b',
      icons: [
        { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml' },
        { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
        { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
      ],
      file_handlers: [
        {
          action: '/library',
          accept: {
            'application/json': ['.json'],
            'application/zip': ['.zip'],
            'text/plain': ['.hex'],
            'image/png': ['.png'],
            'image/svg+xml': ['.svg'],
          },
        },
      ],
    },
    workbox: {
      globPatterns: ['**/*.{js,css,html,svg,png,woff2,json,txt,unfw,webmanifest}'],
      maximumFileSizeToCacheInBytes: 4 << 20,
      navigateFallback: '/index.html',
      // The page itself reads the parameters of its address.
      ignoreURLParametersMatching: [/./],
      cleanupOutdatedCaches: true,
      // Controls the page of the first visit too, without a reload.
      clientsClaim: true,
      importScripts: ['/sw-care.js'],
      manifestTransforms: [
        (manifest) => {
          writeCacheCare('dist', manifest)
          return { manifest, warnings: [] }
        },
      ],
    },
  })

interface PackageFacts {
  name: string
  version: string
  license?: string
  dependencies?: Record<string, string>
}

/** Writes the licences of all included packages to one text file. */
const licences = (): Plugin => ({
  name: 'licences',
  apply: 'build',
  generateBundle() {
    const found = new Map<string, string>()
    const add = (name: string): void => {
      if (found.has(name)) return
      const folder = `node_modules/${name}`
      let facts: PackageFacts
      try {
        facts = JSON.parse(readFileSync(`${folder}/package.json`, 'utf8')) as PackageFacts
      } catch {
        // Bundled inside another package, or not installed on this system.
        return
      }
      const file = readdirSync(folder).find((each) => /^licen[cs]e/i.test(each))
      const text = file ? readFileSync(`${folder}/${file}`, 'utf8').trim() : ''
      found.set(name, `${facts.name} ${facts.version} (${facts.license ?? 'see its text'})\n\n${text}`)
      for (const each of Object.keys(facts.dependencies ?? {})) add(each)
    }
    for (const name of Object.keys(dependencies)) add(name)
    const source = [...found].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, text]) => text)
    this.emitFile({
      type: 'asset',
      fileName: 'licences.txt',
      source: `Unisera ${version} includes these packages.\n\n${source.join(`\n\n${'-'.repeat(72)}\n\n`)}\n`,
    })
  },
})

/** The views that people open first, by the start of their address. */
const FIRST_VIEWS = {
  '/devices': 'devices/DevicesView.vue',
  '/library': 'library/LibraryView.vue',
  '/profile': 'profile/ProfileView.vue',
}

/** Preloads the files of the view of an address together with the application. */
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
        const part = valueOf(bundle, file)
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

interface ModuleGraph {
  getModuleInfo(id: string): { importedIds: readonly string[] } | null
}
const needed = new Map<string, ReadonlySet<string>>()

/** A module and all its static imports. */
function neededBy(path: string, graph: ModuleGraph): ReadonlySet<string> {
  const from = resolve(path)
  const known = needed.get(from)
  if (known) return known
  const found = new Set<string>()
  const visit = (id: string): void => {
    if (found.has(id)) return
    found.add(id)
    for (const imported of graph.getModuleInfo(id)?.importedIds ?? []) visit(imported)
  }
  visit(from)
  needed.set(from, found)
  return found
}

const ENTRIES = { app: 'src/app/main.ts', unplugged: 'src/unplugged/main.ts' }
const VIEW = `src/app/${FIRST_VIEWS['/devices']}`
const LIBRARY = `src/app/${FIRST_VIEWS['/library']}`
const BUTTONS = 'src/app/buttons/ButtonsView.vue'
const DEMO = 'src/app/shell/demo.ts'

/**
 * Groups of modules that keep the number of files of the first view low: modules of both pages, of the application, and of
 * the view itself. The bundler splits the rest.
 */
const PIECES = [
  piece('both', [ENTRIES.app, ENTRIES.unplugged]),
  piece('application', [ENTRIES.app]),
  piece('drawing', [VIEW, ENTRIES.unplugged]),
  piece('first', [VIEW]),
  piece('filling', [DEMO]),
  piece('controls', [LIBRARY, BUTTONS, ENTRIES.unplugged]),
  piece('places', [LIBRARY, BUTTONS]),
].map((group, index, all) => ({ ...group, priority: all.length - index }))

/** The modules that all of some entries need. An entry, and a view that is loaded by its name, stay separate files. */
function piece(name: string, by: readonly string[]) {
  const alone = [...Object.values(ENTRIES), VIEW, LIBRARY, BUTTONS, DEMO]
  const nameOf = (id: string, graph: ModuleGraph) =>
    by.every((path) => neededBy(path, graph).has(id)) && !alone.some((path) => id.includes(path))
      ? name
      : null
  return { name: nameOf, debugName: name }
}

export default defineConfig({
  plugins: [
    tailwind(),
    vue(),
    vuetify({ autoImport: true, styles: { configFile: 'src/look/settings.scss' } }),
    usedUtilities(),
    withoutDates(),
    viewsBeside(),
    licences(),
    withoutNetwork(),
  ],
  // All components use setup, so the build needs no options API.
  define: {
    __UNISERA_VERSION__: JSON.stringify(version),
    __VUE_I18N_FULL_INSTALL__: false,
    __VUE_I18N_LEGACY_API__: false,
    __INTLIFY_PROD_DEVTOOLS__: false,
    __VUE_OPTIONS_API__: false,
    __VUE_PROD_DEVTOOLS__: false,
    __VUE_PROD_HYDRATION_MISMATCH_DETAILS__: false,
  },
  worker: { format: 'es' },
  // The server replaces it by the nonce of each response.
  html: { cspNonce: '__CSP_NONCE__' },
  build: {
    target: 'es2022',
    // The chart library is one chunk of 560 kB that loads with the first chart.
    chunkSizeWarningLimit: 600,
    // Every browser that supports shared module workers supports modulepreload.
    modulePreload: { polyfill: false },
    rolldownOptions: {
      input: { app: 'index.html', unplugged: 'unplugged.html' },
      output: { codeSplitting: { groups: PIECES } },
    },
  },
})
