<script setup lang="ts">
import { computed, ref } from 'vue'
import ControllersList from './ControllersList.vue'
import KeptOut from './KeptOut.vue'
import LayersList from './LayersList.vue'
import PadMapList from './PadMapList.vue'
import type { Channel, NoteInput } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import { useDocument } from '@/state/document'

/** How an instrument or a notes channel is played from outside. */
const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const open = ref(false)
const atRest: NoteInput = {
  device: null, midiChannel: null, keptOut: [], recording: 'adds', arming: 'with-selection', layers: [], padMap: [], controllers: [],
} // prettier-ignore

const input = computed(() => props.channel.noteInput ?? atRest)
const about = computed(() => {
  const device = input.value.device ?? 'any device'
  const midi = input.value.midiChannel ? `, MIDI channel ${input.value.midiChannel}` : ''
  const kept = input.value.keptOut.length ? `, ${input.value.keptOut.length} kept out` : ''
  const layers = input.value.layers.length ? `, ${input.value.layers.length} layered` : ''
  return device + midi + kept + layers
})
function change(part: (now: NoteInput) => Partial<NoteInput>) {
  const { id } = props.channel
  void document.edit(() => {
    const now = document.rows.get(id)?.channel.noteInput ?? atRest
    return [{ type: 'set-note-input', channel: id, input: { ...now, ...part(now) } }]
  }, id)
}

const text = (event: Event) => (event.target as HTMLInputElement).value.trim()
</script>

<template>
  <section>
    <h3>
      <button type="button" class="head" :aria-expanded="open" @click="open = !open">
        <Icon :name="open ? 'fold' : 'unfold'" :size="13" />Played by <span class="about">{{ about }}</span>
      </button>
    </h3>
    <dl v-if="open" class="facts">
      <dt>Device</dt>
      <dd>
        <input
          class="field"
          maxlength="80"
          placeholder="any"
          aria-label="MIDI device"
          :value="input.device ?? ''"
          @keydown.stop
          @change="change(() => ({ device: text($event) || null }))"
        />
      </dd>
      <dt>MIDI channel</dt>
      <dd>
        <select
          class="field"
          aria-label="MIDI channel"
          :value="input.midiChannel ?? ''"
          @change="change(() => ({ midiChannel: Number(text($event)) || null }))"
        >
          <option value="">any</option>
          <option v-for="n in 16" :key="n" :value="n">{{ n }}</option>
        </select>
      </dd>
      <dt>Kept out</dt>
      <dd><KeptOut :input="input" @change="change" /></dd>
      <dt>Recording</dt>
      <dd>
        <select
          class="field"
          aria-label="What recording does with notes that are there"
          :value="input.recording"
          @change="change(() => ({ recording: text($event) as NoteInput['recording'] }))"
        >
          <option value="adds">adds to what is there</option>
          <option value="replaces">replaces what is there</option>
        </select>
      </dd>
      <dt>Armed</dt>
      <dd>
        <select
          class="field"
          aria-label="When it is armed"
          :value="input.arming"
          @change="change(() => ({ arming: text($event) as NoteInput['arming'] }))"
        >
          <option value="with-selection">when it is selected</option>
          <option value="by-hand">by hand</option>
        </select>
      </dd>
      <dt>Layers</dt>
      <dd><LayersList :channel="channel.id" :input="input" @change="change" /></dd>
      <dt>Pads</dt>
      <dd><PadMapList :input="input" @change="change" /></dd>
      <dt>Controllers</dt>
      <dd><ControllersList :input="input" @change="change" /></dd>
    </dl>
  </section>
</template>

<style scoped src="./facts.css"></style>
<style scoped>
.head {
  display: flex;
  align-items: baseline;
  gap: 6px;
  width: 100%;
  padding: 0;
  border: 0;
  background: none;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.about {
  flex: 1;
  font: 400 12px var(--sans);
  color: var(--text-3);
  text-align: right;
}

.facts {
  align-items: baseline;
}
</style>
