<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, shallowRef, watch } from 'vue'
import InputsDialog from './InputsDialog.vue'
import { wrongOf } from './lineWords'
import { fired, sourcesOf } from '@/state/lineCalls'
import { useLineRun } from './useLineRun'
import { sentenceOf } from '@/api/client'
import type { LineRow, LineSource } from '@/api/types'
import { useDocument } from '@/state/document'

/** Every piece, instrument and input fired alone: sources down, channels across, the peak of each where it arrived. */
const open = defineModel<boolean>('open', { required: true })
const listening = ref(false)
const document = useDocument()
const sources = shallowRef<LineSource[]>([])
const rows = ref<LineRow[]>([])
const { running, trouble, run: runAll, stop } = useLineRun()

const nameOf = (id: string) => document.rows.get(id)?.channel.name ?? id
const across = computed(() => {
  const heard = new Set(rows.value.flatMap((row) => [...row.places.map((p) => p.channel), ...row.missing]))
  return document.order.filter((id) => heard.has(id))
})
const wrong = computed(() => rows.value.filter((row) => row.verdict !== 'arrived'))

/** What there is to fire; whoever presses before it is known is kept waiting. */
let looking: Promise<void> | undefined
watch(open, (is) => {
  stop()
  if (is) looking = look()
})

async function look() {
  rows.value = []
  sources.value = []
  if (!document.head) return
  try {
    sources.value = await sourcesOf(document.head.id, document.act)
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

async function run() {
  await looking
  const { id } = document.head!
  if (!running.value) rows.value = []
  void runAll(sources.value, async (source) => {
    const row = await fired(id, document.act, source)
    return () => (rows.value = [...rows.value, row])
  })
}

function at(row: LineRow, channel: string) {
  const place = row.places.find((p) => p.channel === channel)
  if (place) return { text: place.peakDbfs.toFixed(1).replace('-', '\u2212'), wrong: !place.expected }
  return row.missing.includes(channel) ? { text: 'not', wrong: true } : { text: '', wrong: false }
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Line check" :style="{ width: '1120px' }">
    <div class="top">
      <button type="button" class="plain" autofocus @click="run">
        {{ running ? `Stop, ${rows.length} of ${sources.length}` : 'Fire everything' }}
      </button>
      <button type="button" class="plain bare" @click="listening = true">Listen to the inputs</button>
      <span v-if="rows.length === 0" class="faint"
        >{{ sources.length }} pieces, instruments and inputs run in this act; each is fired alone. Peaks are in
        dBFS.</span
      >
      <span v-else-if="rows.length === sources.length && wrong.length === 0" class="proven"
        >Each of {{ rows.length }} arrives where it belongs. Peaks are in dBFS.</span
      >
      <span v-else-if="wrong.length" class="trouble">{{ wrong.length }} of {{ rows.length }} are wrong.</span>
    </div>
    <p v-for="row in wrong" :key="`${row.source.channel}-${row.source.note}`" class="trouble">
      {{ row.source.name }}: {{ wrongOf(row, nameOf) }}
    </p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <div v-if="rows.length" class="sheet" tabindex="0" role="region" aria-label="Where everything arrives">
      <table>
        <thead>
          <tr>
            <th scope="col" class="corner">Fired</th>
            <th v-for="id in across" :key="id" scope="col">
              <span>{{ nameOf(id) }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="`${row.source.channel}-${row.source.note}`">
            <th scope="row">{{ row.source.name }}</th>
            <td v-for="id in across" :key="id" :class="{ wrong: at(row, id).wrong }">{{ at(row, id).text }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </Dialog>
  <InputsDialog v-model:open="listening" />
</template>

<style scoped>
.top {
  display: flex;
  align-items: baseline;
  gap: 14px;
  margin-bottom: 10px;
}

.proven {
  color: var(--proven);
}

.trouble,
.wrong {
  color: var(--blocker);
}

p {
  margin: 0 0 4px;
}

.sheet {
  max-height: 62vh;
  overflow: auto;
}

table {
  border-collapse: collapse;
  font-size: 11.5px;
}

thead th {
  position: sticky;
  top: 0;
  background: var(--panel);
  height: 118px;
  vertical-align: bottom;
  padding: 0 2px 6px;
  font-weight: 400;
}

thead span {
  writing-mode: vertical-rl;
  transform: rotate(180deg);
  white-space: nowrap;
}

th[scope='row'],
.corner {
  position: sticky;
  left: 0;
  background: var(--panel);
  text-align: left;
  font-weight: 400;
  white-space: nowrap;
  padding-right: 14px;
}

.corner {
  z-index: 1;
}

td {
  text-align: right;
  padding: 3px 4px;
  min-width: 38px;
  border-top: 1px solid var(--line-soft);
}

th[scope='row'] {
  border-top: 1px solid var(--line-soft);
}
</style>
