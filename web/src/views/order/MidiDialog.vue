<script setup lang="ts">
import Dialog from 'primevue/dialog'
import DialogEnds from '@/parts/DialogEnds.vue'
import { computed, ref, watch } from 'vue'
import type { Channel, MidiAnswer, MidiPart } from '@/api/types'
import { useDocument } from '@/state/document'

const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ channel: Channel; answer?: MidiAnswer }>()
const document = useDocument()
const chosen = ref(0)
const name = ref('')
const section = ref('')
const alone = ref(true)
const part = computed(() => props.answer?.parts[chosen.value])
const isKit = computed(() => props.channel.source?.type === 'instrument' && props.channel.source.kit)

watch(open, (now) => {
  if (!now || !props.answer) return
  chosen.value = props.answer.suggested
  section.value = ''
  document.refusal = undefined
})
watch(part, (now) => (name.value = now?.name ?? ''))

function describe(p: MidiPart) {
  const missing = p.notesWithoutPiece.length ? `, ${p.notesWithoutPiece.length} notes silent` : ''
  const pieces = isKit.value ? `; plays ${p.piecesHit} pieces${missing}` : ''
  return `${p.notes} notes, ${Math.round(p.bars)} bars, channel ${p.channel}${pieces}`
}

async function put() {
  if (!part.value) return
  const pattern = {
    ...part.value.pattern,
    name: name.value.trim() || part.value.name,
    sections: section.value ? [section.value] : [],
  }
  const others = alone.value ? props.channel.patterns.filter((p) => p.name !== pattern.name) : []
  const stored = await document.edit(
    [
      ...others.map((p) => ({ type: 'remove-pattern' as const, channel: props.channel.id, name: p.name })),
      { type: 'put-pattern', channel: props.channel.id, pattern },
    ],
    props.channel.id,
  )
  if (stored) open.value = false
}
</script>

<template>
  <Dialog
    v-model:visible="open"
    modal
    :header="`A starter for ${channel.name}`"
    :style="{ width: '480px' }"
    :draggable="false"
  >
    <form class="form" @submit.prevent="put">
      <fieldset>
        <legend>Which part of the file</legend>
        <label v-for="(p, i) in answer?.parts" :key="i" class="part">
          <input v-model="chosen" type="radio" name="part" :value="i" :autofocus="i === chosen" />
          <span
            ><b>{{ p.name }}</b
            ><br /><span class="quiet">{{ describe(p) }}</span></span
          >
        </label>
      </fieldset>
      <p v-if="part?.notesWithoutPiece.length" class="waits">
        Notes {{ part.notesWithoutPiece.join(', ') }} play no piece of this kit and will be silent.
      </p>
      <p v-if="part?.skippedBars" class="quiet">
        {{ part.skippedBars }} empty bars before its first note are left out.
      </p>
      <p v-if="answer?.leftOut.length" class="faint">Left out: {{ answer.leftOut.join(', ') }}.</p>
      <div class="pair">
        <label>Name<input v-model="name" class="field" maxlength="80" /></label>
        <label
          >Plays in<select v-model="section" class="field">
            <option value="">all sections</option>
            <option v-for="s in document.head?.timeline.sections" :key="s.id" :value="s.id">{{ s.name }}</option>
          </select></label
        >
      </div>
      <label v-if="channel.patterns.length" class="part"
        ><input v-model="alone" type="checkbox" /> In place of what is there</label
      >
      <DialogEnds :trouble="document.refusal?.sentence" leave="Not now" keep="Put it in" @leave="open = false" />
    </form>
  </Dialog>
</template>

<style scoped src="@/parts/dialogForm.css"></style>
<style scoped>
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
  max-height: 230px;
  overflow: auto;
}

legend {
  color: var(--text-2);
  margin-bottom: 4px;
}

.part {
  display: flex;
  align-items: baseline;
  gap: 8px;
  color: var(--text);
}

.waits {
  color: var(--plum);
}
</style>
