import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import vuetify from 'vite-plugin-vuetify'

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true })],
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    rollupOptions: { input: { app: 'index.html', unplugged: 'unplugged.html' } },
  },
})
