<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, asked, sentenceOf } from '@/api/client'
import type { PackagePart, PackagePartView } from '@/api/types'
import JobLine from '@/parts/JobLine.vue'
import SilentNote from '@/parts/SilentNote.vue'
import { secondsText } from '@/parts/decibels'
import { useDocument } from '@/state/document'
import { useMadeFile } from '@/state/useMadeFile'

/** The one ZIP: what goes into it, how large it is and how long it takes, and the making. */
const props = defineProps<{ song: string }>()
const document = useDocument()
const pack = useMadeFile('packages')
const plan = ref<PackagePartView[]>()
const trouble = ref<string>()
/** What was ticked otherwise than usual. */
const turned = ref<PackagePart[]>([])
const counted = ref(false)

const head = computed(() => (document.head?.id === props.song ? document.head : undefined))
/** Null where nothing is counted. */
const countIn = computed(() => {
  const count = head.value?.timeline.countIn
  return count && (count.bars > 0 || count.click) ? count : null
})
const about: Record<PackagePart, [name: string, words: string]> = {
  document: ['Template document', 'everything, as JSON that this application reads back'],
  project: ['DAWproject', 'for a workstation that reads the open project format'],
  midi: ['Standard MIDI File', 'tempo, meter, key, markers, a named track for each channel that can have notes'],
  'call-sheet': ['Call sheet', 'the printable page: channels, pads, and what is done by hand'],
  'note-names': ['Note names', 'a MIDI name document for each kit'],
  soundcheck: ['Soundcheck', 'what it finds in each act, as text'],
  main: ['The main as WAVE', '24 bit, rendered'],
  stems: ['Stems as WAVE', '24 bit, all that feeds the last sum, with tails'],
}
const isIn = (part: PackagePartView) => part.isUsual !== turned.value.includes(part.part)
const chosen = computed(() => plan.value?.filter(isIn) ?? [])
const bytes = computed(() => chosen.value.reduce((sum, p) => sum + p.bytes, 0))
const seconds = computed(() => chosen.value.reduce((sum, p) => sum + p.seconds, 0))

const silent = computed(() => chosen.value.filter((p) => p.silentFiles > 0))

function silentWords(part: PackagePartView) {
  if (part.part === 'main') return 'The main would be silent'
  return part.silentFiles === 1 ? 'One of the stems would be silent' : `${part.silentFiles} stems would be silent`
}

function sizeText(size: number) {
  if (size < 1e6) return `${Math.max(1, Math.round(size / 1e3))} kB`
  return `${(size / 1e6).toFixed(size < 1e7 ? 1 : 0)} MB`
}

watch(
  () => [props.song, head.value?.revision] as const,
  async ([id]) => {
    try {
      const answer = await asked(api.GET('/api/documents/{id}/package', { params: { path: { id } } }))
      if (props.song === id) plan.value = answer.filter((p) => p.files > 0)
    } catch (error) {
      trouble.value = sentenceOf(error)
    }
  },
  { immediate: true },
)

function turn(part: PackagePart) {
  turned.value = turned.value.includes(part) ? turned.value.filter((p) => p !== part) : [...turned.value, part]
}

function make() {
  const body = { song: props.song, countedIn: counted.value, parts: chosen.value.map((p) => p.part) }
  return pack.make(() => asked(api.POST('/api/packages', { body })))
}
</script>

<template>
  <section aria-label="The package">
    <h2>The package</h2>
    <p class="quiet">
      One ZIP for a workstation, with a manifest of sizes and checksums. The same song gives the same bytes each time.
    </p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <p v-if="!plan && !trouble" class="quiet" role="status">Weighing what goes in…</p>
    <ul v-if="plan">
      <li v-for="part in plan" :key="part.part" :class="{ out: !isIn(part) }">
        <label>
          <input type="checkbox" :checked="isIn(part)" @change="turn(part.part)" />
          <b>{{ about[part.part][0] }}</b>
        </label>
        <span class="quiet">{{ about[part.part][1] }}</span>
        <span class="size">{{ sizeText(part.bytes) }}</span>
      </li>
    </ul>
    <SilentNote v-for="part in silent" :key="part.part" :reasons="part.silentBecause" class="silent">{{
      silentWords(part)
    }}</SilentNote>
    <label v-if="countIn" class="tick">
      <input v-model="counted" type="checkbox" />With its count-in{{ countIn.click ? ' and click' : '' }} in the MIDI
      file and the WAVE of the main
    </label>
    <div class="make">
      <button type="button" class="loud" :disabled="pack.busy.value || chosen.length === 0" @click="make">
        {{ pack.busy.value ? 'Making it…' : 'Make and download it' }}
      </button>
      <JobLine
        v-if="pack.busy.value"
        class="progress"
        :progress="pack.progress.value"
        doing="Rendering the package"
        @cancel="pack.cancel()"
      />
      <span v-else-if="plan && !pack.message.value" class="quiet">
        {{ sizeText(bytes) }} before it is packed{{ seconds >= 1 ? `, about ${secondsText(seconds)} to render` : '' }}
      </span>
      <span v-if="pack.message.value" role="status" :class="pack.failed.value ? 'trouble' : 'quiet'">{{
        pack.message.value
      }}</span>
    </div>
  </section>
</template>

<style scoped>
section {
  background: var(--panel);
  border: 1px solid var(--line-soft);
  border-radius: 12px;
  padding: 16px 20px 20px;
}

h2 {
  font-size: 20px;
}

p {
  margin: 2px 0 10px;
}

ul {
  list-style: none;
  margin: 0 0 16px;
  padding: 0;
}

li {
  display: grid;
  grid-template-columns: 180px 1fr 74px;
  gap: 2px 10px;
  align-items: baseline;
  padding: 3px 0;
}

li + li {
  border-top: 1px solid var(--line-soft);
}

li b {
  font-weight: 500;
}

.out b,
.out .size {
  color: var(--text-3);
}

.size {
  text-align: right;
}

label {
  display: flex;
  gap: 8px;
  align-items: baseline;
}

input {
  position: relative;
  top: 2px;
}

.silent {
  margin: -6px 0 12px;
}

.tick {
  margin-bottom: 14px;
}

.make {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px 14px;
}

.progress {
  width: 300px;
  margin: 0;
}

.trouble {
  color: var(--blocker);
}

@media (max-width: 700px) {
  li {
    grid-template-columns: 1fr 74px;
  }

  li > .quiet {
    display: none;
  }
}
</style>
