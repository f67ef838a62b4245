<script setup lang="ts">
import { ref, useTemplateRef } from 'vue'
import MidiDialog from './MidiDialog.vue'
import StepsDialog from './steps/StepsDialog.vue'
import { sentenceOf, upload } from '@/api/client'
import type { Channel, MidiAnswer, Pattern, ShelfPart } from '@/api/types'
import FromShelf from '@/parts/FromShelf.vue'
import Icon from '@/parts/Icon.vue'
import KeepOnShelf from '@/parts/KeepOnShelf.vue'
import { useDocument } from '@/state/document'

/** The patterns that wait on an instrument or a notes channel. */
const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const midiFile = useTemplateRef('midiFile')
const over = ref(false)
const trouble = ref<string>()
const answer = ref<MidiAnswer>()
const choosing = ref(false)
const stepping = ref(false)
/** The starter that is set by steps; none for a new one. */
const stepped = ref<Pattern>()
const keeping = ref(false)
const part = ref<ShelfPart>()

async function readMidi(files: FileList | null | undefined) {
  over.value = false
  trouble.value = undefined
  const file = files?.[0]
  if (!file) return
  try {
    const address = `/api/documents/${document.head!.id}/channels/${props.channel.id}/midi`
    answer.value = await upload<MidiAnswer>(address, file)
    choosing.value = true
  } catch (error) {
    trouble.value = sentenceOf(error)
  }
}

function setSteps(of?: Pattern) {
  stepped.value = of
  stepping.value = true
}

function keep({ name }: Pattern) {
  part.value = { document: document.head!.id, kind: 'rhythm', place: `${props.channel.id}/${name}`, name }
  keeping.value = true
}

function removePattern(name: string) {
  void document.edit([{ type: 'remove-pattern', channel: props.channel.id, name }], props.channel.id)
}
</script>

<template>
  <section
    class="starters"
    :class="{ over }"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="readMidi($event.dataTransfer?.files)"
  >
    <h3>
      Starters
      <button type="button" class="plain bare small" @click="setSteps()">Steps…</button>
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
      <button type="button" class="plain bare to" :title="`Set ${pattern.name} by steps`" @click="setSteps(pattern)">
        {{ pattern.name }}
      </button>
      <span class="faint"
        >{{ pattern.notes.length }} notes ·
        {{ pattern.sections.length ? pattern.sections.map(document.sectionName).join(', ') : 'all sections' }}</span
      >
      <button
        type="button"
        class="plain bare small"
        :aria-label="`Keep ${pattern.name} on the shelf`"
        @click="keep(pattern)"
      >
        Keep…
      </button>
      <button
        type="button"
        class="plain bare"
        :aria-label="`Remove ${pattern.name}`"
        @click="removePattern(pattern.name)"
      >
        <Icon name="close" :size="13" />
      </button>
    </div>
    <p v-if="channel.patterns.length === 0" class="faint">
      Nothing of its own to play yet. Set steps, or drop a MIDI file here.
    </p>
    <FromShelf kind="rhythm" label="A rhythm of the shelf" :onto="channel.id" @trouble="trouble = $event" />
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
  </section>
  <StepsDialog v-model:open="stepping" :channel="channel" :pattern="stepped" />
  <KeepOnShelf v-model:open="keeping" :part="part" />
  <MidiDialog v-model:open="choosing" :channel="channel" :answer="answer" />
</template>

<style scoped src="./player.css"></style>
