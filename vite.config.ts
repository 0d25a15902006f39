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

/** Of the component library's utility classes, the build has those that a template uses; all would be half its style. */
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

/**
 * Everything of a build is kept by a service worker, which serves that build, whole, until its person takes a newer one.
 * A page is kept with the policy it came with, nonce and all.
 */
const withoutNetwork = () =>
  VitePWA({
    registerType: 'prompt',
    injectRegister: false,
    manifest: {
      id: '/',
      name: 'Unisera',
      short_name: 'Unisera',
      description: 'Set up a mouse or keyboard and keep it in the device itself',
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
      // Which device or part is meant stands behind the address of a page, and is the page's own to read.
      ignoreURLParametersMatching: [/./],
      cleanupOutdatedCaches: true,
      // The first visit's page has it from the moment it is there, not only after a reload.
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

/** What the product is made of, each with its licence as it ships, in one text beside the pages. */
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
        // Kept inside the package that needs it, or left out on this system.
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
      source: `Unisera ${version} is made of these.\n\n${source.join(`\n\n${'-'.repeat(72)}\n\n`)}\n`,
    })
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

/** A module and all that it needs before it can begin. */
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
 * The first view is few files: what both pages begin with, what the application begins with beside that, and what the view
 * itself needs, with the other page and without it. Everything else is parted as the bundler sees fit.
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

/** What each of some modules needs; an entry, and a view that is fetched by its name, are files of their own. */
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
    vuetify({ autoImport: true }),
    usedUtilities(),
    viewsBeside(),
    licences(),
    withoutNetwork(),
  ],
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
    rolldownOptions: {
      input: { app: 'index.html', unplugged: 'unplugged.html' },
      output: { codeSplitting: { groups: PIECES } },
    },
  },
})
