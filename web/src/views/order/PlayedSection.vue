<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Channel, NoteInput } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import ValueField from '@/parts/ValueField.vue'
import { useDocument } from '@/state/document'

/** How an instrument or a notes channel is played from outside. */
const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const open = ref(false)
const messages: [NoteInput['keptOut'][number], string][] = [
  ['modulation', 'modulation'],
  ['pitch-bend', 'pitch bend'],
  ['channel-pressure', 'channel pressure'],
  ['key-pressure', 'key pressure'],
  ['sustain-pedal', 'sustain pedal'],
  ['program-change', 'program changes'],
  ['other-controllers', 'other controllers'],
]
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
const others = computed(() =>
  document.instruments.filter((r) => r.channel.id !== props.channel.id && !input.value.layers.includes(r.channel.id)),
)

function change(part: Partial<NoteInput>) {
  void document.edit(
    [{ type: 'set-note-input', channel: props.channel.id, input: { ...input.value, ...part } }],
    props.channel.id,
  )
}

function keepOut(message: NoteInput['keptOut'][number], out: boolean) {
  const kept = messages.map(([id]) => id).filter((id) => (id === message ? out : input.value.keptOut.includes(id)))
  change({ keptOut: kept })
}

function addLayer(event: Event) {
  const list = event.target as HTMLSelectElement
  if (list.value) change({ layers: [...input.value.layers, list.value] })
  list.value = ''
}

function addPad() {
  const taken = new Set(input.value.padMap.map((p) => p.pad))
  let pad = 36
  while (taken.has(pad)) pad++
  change({ padMap: [...input.value.padMap, { pad, note: pad }] })
}

function addController() {
  const taken = new Set(input.value.controllers.map((c) => c.number))
  let number = 20
  while (taken.has(number)) number++
  change({ controllers: [...input.value.controllers, { number, name: `Controller ${number}` }] })
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
          @change="change({ device: text($event) || null })"
        />
      </dd>
      <dt>MIDI channel</dt>
      <dd>
        <select
          class="field"
          aria-label="MIDI channel"
          :value="input.midiChannel ?? ''"
          @change="change({ midiChannel: Number(text($event)) || null })"
        >
          <option value="">any</option>
          <option v-for="n in 16" :key="n" :value="n">{{ n }}</option>
        </select>
      </dd>
      <dt>Kept out</dt>
      <dd class="list">
        <label v-for="[id, name] in messages" :key="id" class="switch"
          ><input
            type="checkbox"
            :checked="input.keptOut.includes(id)"
            @change="keepOut(id, ($event.target as HTMLInputElement).checked)"
          />
          {{ name }}</label
        >
      </dd>
      <dt>Recording</dt>
      <dd>
        <select
          class="field"
          aria-label="What recording does with notes that are there"
          :value="input.recording"
          @change="change({ recording: text($event) as NoteInput['recording'] })"
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
          @change="change({ arming: text($event) as NoteInput['arming'] })"
        >
          <option value="with-selection">when it is selected</option>
          <option value="by-hand">by hand</option>
        </select>
      </dd>
      <dt>Layers</dt>
      <dd class="list">
        <span v-for="id in input.layers" :key="id" class="line"
          >{{ document.rows.get(id)?.channel.name
          }}<button
            type="button"
            class="plain bare"
            :aria-label="`Take ${document.rows.get(id)?.channel.name} off`"
            @click="change({ layers: input.layers.filter((l) => l !== id) })"
          >
            <Icon name="close" :size="12" /></button
        ></span>
        <select class="field" aria-label="Add a layer" @change="addLayer">
          <option value="">add an instrument…</option>
          <option v-for="r in others" :key="r.channel.id" :value="r.channel.id">{{ r.channel.name }}</option>
        </select>
      </dd>
      <dt>Pads</dt>
      <dd class="list">
        <span v-for="(pad, i) in input.padMap" :key="i" class="line"
          >pad
          <ValueField
            label="Note that the pad sends"
            :value="pad.pad"
            :min="0"
            :max="127"
            :step="1"
            @change="change({ padMap: input.padMap.with(i, { ...pad, pad: $event ?? 0 }) })" />
          plays note
          <ValueField
            label="Note that it plays"
            :value="pad.note"
            :min="0"
            :max="127"
            :step="1"
            @change="change({ padMap: input.padMap.with(i, { ...pad, note: $event ?? 0 }) })" /><button
            type="button"
            class="plain bare"
            :aria-label="`Forget pad ${pad.pad}`"
            @click="change({ padMap: input.padMap.filter((_, n) => n !== i) })"
          >
            <Icon name="close" :size="12" /></button
        ></span>
        <button type="button" class="plain bare start" @click="addPad">map a pad</button>
      </dd>
      <dt>Controllers</dt>
      <dd class="list">
        <span v-for="(controller, i) in input.controllers" :key="i" class="line"
          ><ValueField
            label="Controller number"
            :value="controller.number"
            :min="0"
            :max="127"
            :step="1"
            @change="change({ controllers: input.controllers.with(i, { ...controller, number: $event ?? 0 }) })" />
          <input
            class="field"
            maxlength="40"
            :aria-label="`Name of controller ${controller.number}`"
            :value="controller.name"
            @keydown.stop
            @change="
              change({ controllers: input.controllers.with(i, { ...controller, name: text($event) }) })
            " /><button
            type="button"
            class="plain bare"
            :aria-label="`Forget controller ${controller.number}`"
            @click="change({ controllers: input.controllers.filter((_, n) => n !== i) })"
          >
            <Icon name="close" :size="12" /></button
        ></span>
        <button type="button" class="plain bare start" @click="addController">show a controller</button>
      </dd>
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

.list {
  display: grid;
  gap: 3px;
}

.line {
  display: flex;
  align-items: center;
  gap: 5px;
}

.line button {
  margin-left: auto;
}

.start {
  justify-self: start;
}
</style>
