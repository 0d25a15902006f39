import { defineConfig } from 'vite'

/** The `unisera` command as one file for Node: compiled once and not with every run. */
export default defineConfig({
  publicDir: false,
  ssr: { noExternal: true, target: 'node' },
  build: {
    ssr: 'src/cli/main.ts',
    target: 'node20',
    minify: true,
    rollupOptions: { output: { entryFileNames: 'unisera.mjs' } },
  },
})
