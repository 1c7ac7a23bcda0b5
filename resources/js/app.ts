import '../css/app.css'
import { createInertiaApp } from '@inertiajs/vue3'
import { createApp, defineAsyncComponent, h, watchEffect, type DefineComponent } from 'vue'
import { settings } from './composables/settings'
import { useAtlas } from './composables/useAtlas'
import IdleLock from './parts/IdleLock.vue'

const AtlasSheet = defineAsyncComponent(() => import('./parts/AtlasSheet.vue'))
const { everOpened } = useAtlas()
const pages = import.meta.glob<{ default: DefineComponent }>('./pages/**/*.vue')

void createInertiaApp({
  title: (title) => (title ? `${title} · Somatrace` : 'Somatrace'),
  resolve: async (name) => {
    const page = pages[`./pages/${name}.vue`]
    if (!page) throw new Error(`no page is called ${name}`)
    return (await page()).default
  },
  setup: ({ el, App, props, plugin }) => {
    // the atlas opens beside whatever is on the screen; it is fetched when it is first asked for
    createApp({ render: () => [h(App, props), everOpened.value ? h(AtlasSheet) : null, h(IdleLock)] })
      .use(plugin)
      .mount(el)
    watchEffect(() => document.documentElement.classList.toggle('dusk', settings().theme === 'dusk'))
  },
  progress: { color: '#2b1f17', delay: 250 },
})
