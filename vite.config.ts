import tailwindcss from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import laravel from 'laravel-vite-plugin'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [
    laravel({ input: ['resources/js/app.ts'], refresh: false }),
    tailwindcss(),
    vue({ template: { transformAssetUrls: { base: null, includeAbsolute: false } } }),
  ],
  // the painter fetches its regions as they are asked for
  worker: { format: 'es' },
  resolve: { alias: { '@': '/resources/js' } },
})
