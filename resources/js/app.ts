import '../css/app.css'
import { createInertiaApp, router, usePage } from '@inertiajs/vue3'
import { createApp, defineAsyncComponent, h, watchEffect, type DefineComponent } from 'vue'
import { lost, found, onConnectionBack } from './composables/connection'
import { language } from './composables/language'
import { owner } from './composables/seal'
import { settings } from './composables/settings'
import { useAtlas } from './composables/useAtlas'
import { begin } from './composables/waiting'
import ConnectionNote from './parts/ConnectionNote.vue'
import DemoNote from './parts/DemoNote.vue'
import Finder from './parts/Finder.vue'
import IdleLock from './parts/IdleLock.vue'
import UnsentNote from './parts/UnsentNote.vue'
import WaitingNote from './parts/WaitingNote.vue'
import { forgetRoom } from './work/offline'

// nobody is signed in here: nothing of a record stays
if (owner === null) forgetRoom()

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
    createApp({
      render: () => [
        h(DemoNote),
        h(UnsentNote),
        h(App, props),
        h(ConnectionNote),
        h(WaitingNote),
        everOpened.value ? h(AtlasSheet) : null,
        h(Finder),
        h(IdleLock),
      ],
    })
      .use(plugin)
      .use(language)
      .mount(el)
    watchEffect(() => document.documentElement.classList.toggle('dusk', settings().theme === 'dusk'))
    watchEffect(() => document.documentElement.classList.toggle('demo', usePage<{ demo?: boolean }>().props?.demo === true))
  },
  progress: false,
})

type Asked = Parameters<Parameters<typeof router.on<'start'>>[1]>[0]['detail']['visit']

// a page that is on its way is waited for; those that overlap are one waiting, so that it is all the same which of them ends
const waitedFor = ({ showProgress, prefetch }: Asked): boolean => showProgress && !prefetch
const underway: (() => void)[] = []
router.on('start', ({ detail }) => void (waitedFor(detail.visit) && underway.push(begin())))
router.on('finish', ({ detail }) => void (waitedFor(detail.visit) && underway.pop()?.()))

/**
 * Whoever writes makes others wait: the server then says that it is busy and that nothing was changed, and what was asked is asked again as
 * soon as it is free. A page that could not be fetched for want of a connection is fetched when that is back; a deed is sent again only
 * where it carries a key (useDeed).
 */
let asked: Asked | null = null
router.on('start', (event) => void (asked = event.detail.visit))
router.on('success', () => found())
const again = () => {
  const visit = asked
  const stop = onConnectionBack(() => {
    stop()
    if (visit && visit === asked) router.visit(visit.url, { ...visit })
  })
}
router.on('httpException', (event) => {
  if (event.detail.response.status !== 503) return
  event.preventDefault()
  again()
  lost('busy')
})
router.on('networkError', (event) => {
  event.preventDefault()
  if (asked?.method === 'get') again()
  lost('gone')
})
