<script setup lang="ts">
import { ref, useTemplateRef } from 'vue'
import MidiDialog from './MidiDialog.vue'
import { sentenceOf, upload } from '@/api/client'
import type { Channel, MidiAnswer } from '@/api/types'
import Icon from '@/parts/Icon.vue'
import { useDocument } from '@/state/document'

/** The patterns that wait on an instrument or a notes channel. */
const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const midiFile = useTemplateRef('midiFile')
const over = ref(false)
const trouble = ref<string>()
const answer = ref<MidiAnswer>()
const choosing = ref(false)

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
        {{ pattern.sections.length ? pattern.sections.map(document.sectionName).join(', ') : 'all sections' }}</span
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

<style scoped src="./player.css"></style>
