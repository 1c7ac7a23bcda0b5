import tailwindcss from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import laravel from 'laravel-vite-plugin'
import { defineConfig } from 'vite'
import { phrases } from './resources/phrases/phrases.mjs'

export default defineConfig({
  plugins: [
    laravel({ input: ['resources/js/app.ts'], refresh: false }),
    tailwindcss(),
    phrases(),
    vue({ template: { transformAssetUrls: { base: null, includeAbsolute: false } } }),
  ],
  // the painter fetches its regions as they are asked for
  worker: { format: 'es' },
  resolve: { alias: { '@': '/resources/js' } },
})
