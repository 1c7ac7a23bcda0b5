import '../css/app.css'
import { createInertiaApp } from '@inertiajs/vue3'
import { createApp, h, type DefineComponent } from 'vue'

const pages = import.meta.glob<{ default: DefineComponent }>('./pages/**/*.vue')

void createInertiaApp({
  title: (title) => (title ? `${title} · Somatrace` : 'Somatrace'),
  resolve: async (name) => {
    const page = pages[`./pages/${name}.vue`]
    if (!page) throw new Error(`no page is called ${name}`)
    return (await page()).default
  },
  setup: ({ el, App, props, plugin }) => {
    createApp({ render: () => h(App, props) })
      .use(plugin)
      .mount(el)
  },
  progress: { color: '#2b1f17', delay: 250 },
})
