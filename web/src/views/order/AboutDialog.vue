<script setup lang="ts">
import Dialog from 'primevue/dialog'
import DialogEnds from '@/parts/DialogEnds.vue'
import { ref, watch } from 'vue'
import { choiceOf, keyChoices, keyFromChoice } from '@/parts/keys'
import { noteValues } from './noteValues'
import type { Edit, Head } from '@/api/types'
import { cameTo } from '@/strips/stripCalls'
import { useDocument } from '@/state/document'
import { useCatalogue } from '@/state/catalogue'
import { useListening } from '@/state/listening'

const catalogue = useCatalogue()
const open = defineModel<boolean>('open', { required: true })
const document = useDocument()
const name = ref('')
const category = ref('')
const tags = ref('')
const note = ref('')
const key = ref('')
const rate = ref(48000)
const law = ref<Head['panLaw']>('constant-power')
const opens = ref<'plain' | 'kept' | 'now'>('plain')
const grid = ref(240)
const listening = useListening()
const laws: [Head['panLaw'], string][] = [
  ['constant-power', '−3 dB at the centre'],
  ['compromise', '−4.5 dB at the centre'],
  ['linear', '−6 dB at the centre'],
  ['constant-power-centre-unity', '0 dB at the centre, +3 at the sides'],
  ['compromise-centre-unity', '0 dB at the centre, +4.5 at the sides'],
  ['linear-centre-unity', '0 dB at the centre, +6 at the sides'],
]

watch(open, (now) => {
  const head = document.head
  if (!now || !head) return
  name.value = head.name
  category.value = head.category
  tags.value = head.tags.join(', ')
  note.value = head.note
  key.value = choiceOf(head.key)
  rate.value = head.sampleRateHz
  law.value = head.panLaw
  opens.value = head.opening ? 'kept' : 'plain'
  grid.value = head.opening?.gridTicks ?? 240
  document.refusal = undefined
})

function openingWanted(): Head['opening'] {
  if (opens.value === 'plain') return null
  const kept = document.head?.opening
  const looks = opens.value === 'kept' && kept ? kept : { act: document.act, folded: [...document.folded], loopSection: listening.section } // prettier-ignore
  return { ...looks, gridTicks: grid.value }
}

async function keep() {
  const edits: Edit[] = [
    {
      type: 'describe',
      name: name.value.trim(),
      category: category.value.trim(),
      tags: tags.value.split(',').map((t) => t.trim()).filter(Boolean),
      note: note.value,
    }, // prettier-ignore
  ]
  if (document.head && key.value !== choiceOf(document.head.key)) {
    // A key wakes what waits for it; what is too late to sing through is parked for recording.
    const came = await cameTo(document.head.id, keyFromChoice(key.value), [])
    edits.push(...came.edits)
  }
  if (rate.value !== document.head?.sampleRateHz || law.value !== document.head?.panLaw)
    edits.push({ type: 'set-sampling', sampleRateHz: rate.value, panLaw: law.value })
  const opening = openingWanted()
  if (JSON.stringify(opening) !== JSON.stringify(document.head?.opening ?? null))
    edits.push({ type: 'set-opening', opening })
  if (await document.edit(edits)) open.value = false
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="What it is for" :style="{ width: '460px' }" :draggable="false">
    <form class="form" @submit.prevent="keep">
      <label>Name<input v-model="name" class="field" required maxlength="80" autofocus /></label>
      <div class="pair">
        <label>Category<input v-model="category" class="field" maxlength="80" /></label>
        <label
          >Key<select v-model="key" class="field">
            <option value="">waits for the song</option>
            <option v-for="choice in keyChoices(catalogue.known.keys)" :key="choice.value" :value="choice.value">
              {{ choice.text }}
            </option>
          </select></label
        >
      </div>
      <label>Tags, with commas between<input v-model="tags" class="field" /></label>
      <div class="pair">
        <label
          >Sample rate<select v-model.number="rate" class="field">
            <option v-for="hz in [44100, 48000, 88200, 96000]" :key="hz" :value="hz">{{ hz / 1000 }} kHz</option>
          </select></label
        >
        <label
          >Pan law<select v-model="law" class="field">
            <option v-for="[id, text] in laws" :key="id" :value="id">{{ text }}</option>
          </select></label
        >
      </div>
      <div class="pair">
        <label
          >Opens<select v-model="opens" class="field">
            <option value="plain">all unfolded, in the first act</option>
            <option v-if="document.head?.opening" value="kept">as it was kept</option>
            <option value="now">as it looks now: act, folds, loop</option>
          </select></label
        >
        <label
          >Grid for notes<select v-model.number="grid" class="field" :disabled="opens === 'plain'">
            <option v-for="[ticks, text] in noteValues" :key="ticks" :value="ticks">{{ text }}</option>
          </select></label
        >
      </div>
      <label
        >Prompt note: how it is to be used<textarea v-model="note" class="field" rows="5" maxlength="4000" />
      </label>
      <p v-if="document.head?.parent" class="quiet">
        Based on {{ document.head.parent.name }}: what changes there is offered here.
        <button type="button" class="plain bare" @click="document.edit([{ type: 'set-parent', parent: null }])">
          Let go of it
        </button>
      </p>
      <DialogEnds :trouble="document.refusal?.sentence" leave="Leave it" keep="Keep it" @leave="open = false" />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
