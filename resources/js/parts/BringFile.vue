<script setup lang="ts">
import Pick from '@/controls/Pick.vue'
import FileButton from '@/controls/FileButton.vue'
import { router } from '@inertiajs/vue3'
import { computed, ref } from 'vue'
import { Refused, sendFile } from '@/composables/http'
import { useProgress } from '@/composables/progress'
import { dayWords } from '@/composables/settings'
import ProgressLine from './ProgressLine.vue'

/** A file that is brought in: read, shown with what it would change, and only then taken in; or refused with where and why. */
interface Change {
  key: string
  name: string
  was: string | null
  becomes: string
}
interface Preview {
  rows: { title: string; state: string; changes: Change[]; same: number; left: string[] }[]
  unkept: string[]
  digest: string
  /** how many changes, and rows by state, there are in all of it */
  count: number
  states: Record<string, number>
}
const props = defineProps<{ formats: readonly { id: string; words: string }[]; to: string }>()
const file = ref<File | null>(null)
const format = ref(props.formats[0]?.id ?? '')
const preview = ref<Preview | null>(null)
const faults = ref<{ place: string; words: string }[]>([])
const trouble = ref('')
const done = ref('')
const busy = ref(false)
const SHOWN = 12
/** How far a large file has come. */
const { progress, followed } = useProgress()
const more = ref(0)

/** Any file may be looked at: what it is, is told by its content and by what was said of it. */
const accepts = ''
const formatted = (id: string | undefined) => {
  format.value = id ?? format.value
  void look()
}
const chosen = (one: File) => {
  file.value = one
  const name = one.name.toLowerCase()
  const end = /\.(\w+)$/.exec(name)?.[1]
  format.value =
    props.formats.find((one) => name.endsWith(one.id))?.id ?? props.formats.find((one) => one.id.endsWith(`.${end}`))?.id ?? format.value
  preview.value = null
  faults.value = []
  done.value = ''
  trouble.value = ''
  void look()
}
/** While it runs it is said here how far it is. */
const attempt = async (act: (one: File, token: string) => Promise<void>) => {
  const one = file.value
  if (!one || busy.value) return
  busy.value = true
  trouble.value = ''
  faults.value = []
  more.value = 0
  try {
    await followed((token) => act(one, token))
  } catch (failure) {
    preview.value = null
    trouble.value = failure instanceof Refused ? failure.words : 'No connection just now; nothing was changed.'
    faults.value = failure instanceof Refused ? (failure.body.faults ?? []) : []
    more.value = failure instanceof Refused ? (failure.body.more ?? 0) : 0
  }
  busy.value = false
}
const look = () =>
  attempt(async (one, token) => {
    preview.value = await sendFile<Preview>(`${props.to}/${format.value}`, one, { progress: token }, 'goes-on')
  })
const apply = () =>
  attempt(async (one, token) => {
    const words = { digest: preview.value?.digest ?? '', progress: token }
    const answer = await sendFile<{ written?: number; message?: string }>(`${props.to}/${format.value}/apply`, one, words, 'goes-on')
    if (answer.written === undefined) {
      trouble.value = answer.message ?? ''
      preview.value = await sendFile<Preview>(`${props.to}/${format.value}`, one)
      return
    }
    preview.value = null
    done.value =
      answer.written === 0 ? 'Nothing was new in it.' : `Taken in: ${answer.written} ${answer.written === 1 ? 'entry' : 'entries'}.`
    router.reload()
  })
const count = computed(() => preview.value?.count ?? 0)
const hidden = computed(() => {
  const all = Object.values(preview.value?.states ?? {}).reduce((sum, n) => sum + n, 0)
  return all - (preview.value?.rows.length ?? 0)
})
const stateWords: Record<string, string> = {
  new: 'new',
  open: 'a visit here',
  signed: 'signed here',
  elsewhere: 'from elsewhere, here already',
  same: 'here already',
  changed: 'known here',
  left: 'left out',
}
const titleOf = (title: string): string => (/^\d{4}-\d\d-\d\d$/.test(title) ? `Visit of ${dayWords(title)}` : title)
</script>
<template>
  <section aria-label="Bring a file in">
    <div class="flex flex-wrap items-end gap-4">
      <div>
        <p class="caption mb-1">File</p>
        <FileButton id="file" :label="file ? file.name : 'Choose a file, or drop it here'" :accept="accepts" @choose="chosen" />
      </div>
      <div>
        <label class="caption mb-1 block" for="format">What it is</label>
        <Pick
          id="format"
          class="min-w-[220px]"
          label="What it is"
          :choices="formats.map((one) => ({ id: one.id, name: one.words }))"
          :value="format"
          @choose="formatted"
        />
      </div>
    </div>
    <ProgressLine v-if="busy" class="mt-2" :progress="progress" words="Reading…" />
    <p v-if="done" class="mt-3 bg-moss-wash px-4 py-2" role="status">{{ done }}</p>
    <div v-if="trouble" class="mt-3 border-l-4 border-madder pl-4" role="alert">
      <p>{{ trouble }}</p>
      <ul v-if="faults.length" class="mt-1" aria-label="Faults">
        <li v-for="one in faults.slice(0, 40)" :key="one.place + one.words">
          <b class="font-[650]">{{ one.place === '#' ? 'the whole file' : one.place }}</b>: {{ one.words }}
        </li>
        <li v-if="faults.length + more > 40" class="caption">and {{ faults.length + more - 40 }} more</li>
      </ul>
    </div>
    <div v-if="preview" class="mt-4">
      <h3 class="section-head">{{ count === 0 ? 'Nothing in it is new' : 'What would change' }}</h3>
      <ul>
        <li v-for="(row, index) in preview.rows" :key="index" class="border-b border-hairline py-2">
          <p>
            <b class="font-[650]">{{ titleOf(row.title) }}</b>{{ ' '
            }}<span class="caption">
              {{ stateWords[row.state] ?? row.state
              }}<template v-if="row.same && row.changes.length">, {{ row.same }} the same</template></span
            >
          </p>
          <ul>
            <li v-for="change in row.changes.slice(0, SHOWN)" :key="change.key">
              {{ change.name }}:
              <template v-if="change.was !== null"
                ><s class="text-walnut-2">{{ change.was || 'nothing' }}</s> →
              </template>
              {{ change.becomes || 'there' }}
            </li>
            <li v-if="row.changes.length > SHOWN" class="caption">and {{ row.changes.length - SHOWN }} more</li>
            <li v-for="left in row.left" :key="left" class="text-madder">Left as it is. {{ left }}.</li>
          </ul>
        </li>
      </ul>
      <p v-if="hidden > 0" class="caption mt-1">
        and {{ hidden }} more:
        {{
          Object.entries(preview.states)
            .map(([state, n]) => `${n} ${stateWords[state] ?? state}`)
            .join(', ')
        }}
        in all
      </p>
      <p v-if="preview.unkept.length" class="mt-2">No record here holds {{ preview.unkept.join(', ') }}: that stays in the file.</p>
      <p class="mt-3 flex items-center gap-3">
        <button type="button" class="btn-ink" :disabled="busy || count === 0" @click="apply">Take it in</button>
        <span class="caption">All of it, or nothing if anything fails. What the file does not name stays as it is.</span>
      </p>
    </div>
  </section>
</template>
