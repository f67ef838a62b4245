<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, ref, useTemplateRef } from 'vue'
import { noteValues } from './noteValues'
import { api, asked, sentenceOf, upload } from '@/api/client'
import type { Groove, ShelfPart } from '@/api/types'
import FromShelf from '@/parts/FromShelf.vue'
import Icon from '@/parts/Icon.vue'
import KeepOnShelf from '@/parts/KeepOnShelf.vue'
import { useDocument } from '@/state/document'

/** The grooves of a template: swing by its percentage, or the feel of a MIDI file. */
const open = defineModel<boolean>('open', { required: true })
const document = useDocument()
const file = useTemplateRef('file')
const name = ref('')
const step = ref(480)
const percent = ref(58)
const trouble = ref<string>()

const keeping = ref(false)
const part = ref<ShelfPart>()
const partOf = (groove: string): ShelfPart => ({
  document: document.head!.id,
  kind: 'groove',
  place: groove,
  name: groove,
})
const title = computed(() => name.value.trim() || `Swing ${percent.value}`)

async function keep(groove: Promise<Groove>) {
  trouble.value = undefined
  try {
    if (await document.edit([{ type: 'put-groove', groove: await groove }])) name.value = ''
    else trouble.value = document.refusal?.sentence
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

function swing() {
  const query = { name: title.value, pairTicks: 2 * step.value, percent: percent.value }
  void keep(asked(api.GET('/api/grooves/swing', { params: { query } })) as Promise<Groove>)
}

function take(files: FileList | null) {
  const chosen = files?.[0]
  if (!chosen) return
  const as = encodeURIComponent(name.value.trim() || chosen.name.replace(/\.\w+$/, '').slice(0, 40))
  void keep(upload<Groove>(`/api/grooves/from-midi?name=${as}&gridTicks=${step.value}&cycleTicks=3840`, chosen))
}

/** Whoever follows it plays straight then, in the same revision. */
function forget(groove: string) {
  const followers = document.ordered.filter((r) => r.channel.groove === groove)
  void document.edit([
    ...followers.map((r) => ({ type: 'set-groove' as const, channel: r.channel.id, groove: null })),
    { type: 'remove-groove' as const, name: groove },
  ])
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Grooves" :style="{ width: '480px' }" :draggable="false">
    <ul>
      <li v-for="groove in document.head?.grooves" :key="groove.name">
        <b>{{ groove.name }}</b>
        <span class="faint"
          >{{ groove.steps.length }} steps over {{ groove.cycleTicks / 960 }} quarters, followed by
          {{ document.ordered.filter((r) => r.channel.groove === groove.name).length }}</span
        >
        <button
          type="button"
          class="plain bare"
          :aria-label="`${groove.name} to the shelf`"
          @click="((part = partOf(groove.name)), (keeping = true))"
        >
          to the shelf
        </button>
        <button type="button" class="plain bare" :aria-label="`Forget ${groove.name}`" @click="forget(groove.name)">
          <Icon name="close" :size="13" />
        </button>
      </li>
    </ul>
    <p v-if="!document.head?.grooves.length" class="faint">None yet: every starter plays straight.</p>
    <div class="from"><FromShelf kind="groove" label="From the shelf" :onto="null" @trouble="trouble = $event" /></div>
    <form class="form" @submit.prevent="swing">
      <div class="pair">
        <label>Name<input v-model="name" class="field" maxlength="40" :placeholder="title" @keydown.stop /></label>
        <label
          >Steps<select v-model.number="step" class="field">
            <option v-for="[ticks, text] in noteValues.filter(([t]) => 3840 % t === 0)" :key="ticks" :value="ticks">
              {{ text }}
            </option>
          </select></label
        >
      </div>
      <label
        >Swing: the second of a pair falls at, % of the pair<input
          v-model.number="percent"
          class="field"
          type="number"
          min="1"
          max="99"
          step="0.1"
          @keydown.stop
      /></label>
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <div class="ends">
        <button type="button" class="plain" @click="file?.click()">
          <Icon name="file" :size="13" /> Take the feel of a MIDI file
        </button>
        <button type="submit" class="loud">Keep this swing</button>
      </div>
      <input
        ref="file"
        type="file"
        accept=".mid,.midi,audio/midi"
        hidden
        aria-label="A MIDI file with the feel"
        @change="take(($event.target as HTMLInputElement).files)"
      />
    </form>
  </Dialog>
  <KeepOnShelf v-model:open="keeping" :part="part" />
</template>

<style scoped src="@/parts/dialogForm.css"></style>
<style scoped>
ul {
  list-style: none;
  margin: 0 0 12px;
  padding: 0;
}

li {
  display: flex;
  align-items: baseline;
  gap: 8px;
}

li span {
  flex: 1;
}

.from {
  display: grid;
  gap: 4px;
  margin-bottom: 12px;
}

.ends {
  display: flex;
  justify-content: flex-end;
  gap: 10px;
}

.trouble {
  color: var(--blocker);
}
</style>
