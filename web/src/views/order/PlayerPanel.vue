<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import MidiDialog from './MidiDialog.vue'
import ParameterFields from './ParameterFields.vue'
import { sentenceOf, upload } from '@/api/client'
import type { ChannelRow, Kit, MidiAnswer } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

const props = defineProps<{ row: ChannelRow }>()
const document = useDocument()
const catalogue = useCatalogue()
const midiFile = useTemplateRef('midiFile')
const kitFile = useTemplateRef('kitFile')
const over = ref(false)
const trouble = ref<string>()
const answer = ref<MidiAnswer>()
const choosing = ref(false)

const channel = computed(() => props.row.channel)
const source = computed(() => (channel.value.source?.type === 'instrument' ? channel.value.source : undefined))
const kind = computed(() => catalogue.instruments.get(source.value?.instrument ?? ''))

async function attempt(work: () => Promise<void>) {
  trouble.value = undefined
  try {
    await work()
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

function address(what: string) {
  return `/api/${document.kind}s/${document.head!.id}/channels/${channel.value.id}/${what}`
}

function readMidi(files: FileList | null | undefined) {
  over.value = false
  const file = files?.[0]
  if (!file) return
  return attempt(async () => {
    answer.value = await upload<MidiAnswer>(address('midi'), file)
    choosing.value = true
  })
}

function readKit(files: FileList | null) {
  const file = files?.[0]
  if (!file || !source.value) return
  return attempt(async () => {
    const kit = await upload<Kit>(address('kit-table'), file)
    const stored = await document.edit(
      [{ type: 'set-source', channel: channel.value.id, source: { ...source.value!, kit } }],
      channel.value.id,
    )
    if (!stored) trouble.value = document.refusal?.sentence
  })
}

function removePattern(name: string) {
  void document.edit([{ type: 'remove-pattern', channel: channel.value.id, name }], channel.value.id)
}

function turn(parameter: string, value: number | null) {
  void document.edit(
    [{ type: 'set-instrument-setting', channel: channel.value.id, parameter, value }],
    channel.value.id,
  )
}
</script>

<template>
  <section>
    <h3>
      {{ kind?.name }}<span class="about">{{ kind?.about }}</span>
    </h3>
    <ParameterFields
      v-if="kind && source"
      :owner="kind.name"
      :parameters="kind.parameters"
      :settings="source.settings ?? {}"
      @change="turn"
    />
    <div v-if="source?.kit" class="line">
      <span class="quiet">{{ source.kit.pieces.length }} pieces, {{ source.kit.outputs.length }} outputs</span>
      <button type="button" class="plain bare" @click="kitFile?.click()">
        <Icon name="file" :size="13" /> Pieces from a table
      </button>
      <input
        ref="kitFile"
        type="file"
        accept=".csv,text/csv"
        hidden
        aria-label="A table of pieces (CSV)"
        @change="readKit(($event.target as HTMLInputElement).files)"
      />
    </div>
  </section>
  <section
    class="starters"
    :class="{ over }"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="readMidi($event.dataTransfer?.files)"
  >
    <h3>
      Starters
      <button type="button" class="plain bare small" @click="midiFile?.click()">
        <Icon name="file" :size="13" /> MIDI file
      </button>
    </h3>
    <input
      ref="midiFile"
      type="file"
      accept=".mid,.midi,audio/midi"
      hidden
      aria-label="A MIDI file"
      @change="readMidi(($event.target as HTMLInputElement).files)"
    />
    <div v-for="pattern in channel.patterns" :key="pattern.name" class="line">
      <span class="to">{{ pattern.name }}</span>
      <span class="faint"
        >{{ pattern.notes.length }} notes ·
        {{ pattern.sections.length ? pattern.sections.join(', ') : 'all sections' }}</span
      >
      <button
        type="button"
        class="plain bare"
        :aria-label="`Remove ${pattern.name}`"
        @click="removePattern(pattern.name)"
      >
        <Icon name="close" :size="13" />
      </button>
    </div>
    <p v-if="channel.patterns.length === 0" class="faint">Nothing to play yet. Drop a MIDI file here.</p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
  </section>
  <MidiDialog v-model:open="choosing" :channel="channel" :answer="answer" />
</template>

<style scoped>
.about {
  font: 400 12px var(--sans);
  color: var(--text-3);
  text-align: right;
}

.line {
  display: flex;
  align-items: baseline;
  gap: 8px;
}

.to {
  flex: none;
  max-width: 55%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.line .faint {
  flex: 1;
  font-size: 12px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.line .quiet,
.line .plain,
h3 button {
  white-space: nowrap;
}

.line .plain {
  margin-left: auto;
  font-size: 12px;
}

.small {
  font: 400 12px var(--sans);
}

.starters.over {
  outline: 2px dashed var(--lamp);
  outline-offset: 4px;
  border-radius: 4px;
}

p {
  margin: 2px 0 0;
}

.trouble {
  color: var(--blocker);
}
</style>
