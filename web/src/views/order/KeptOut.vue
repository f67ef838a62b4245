<script setup lang="ts">
import type { NoteInput } from '@/api/types'

/** Which kinds of message a note input keeps out. */
defineProps<{ input: NoteInput }>()
const emit = defineEmits<{ change: [part: (now: NoteInput) => Partial<NoteInput>] }>()
const messages: [NoteInput['keptOut'][number], string][] = [
  ['modulation', 'modulation'],
  ['pitch-bend', 'pitch bend'],
  ['channel-pressure', 'channel pressure'],
  ['key-pressure', 'key pressure'],
  ['sustain-pedal', 'sustain pedal'],
  ['program-change', 'program changes'],
  ['other-controllers', 'other controllers'],
]

function keepOut(message: NoteInput['keptOut'][number], out: boolean) {
  emit('change', ({ keptOut }) => ({
    keptOut: messages.map(([id]) => id).filter((id) => (id === message ? out : keptOut.includes(id))),
  }))
}
</script>

<template>
  <div class="list">
    <label v-for="[id, name] in messages" :key="id" class="switch"
      ><input
        type="checkbox"
        :checked="input.keptOut.includes(id)"
        @change="keepOut(id, ($event.target as HTMLInputElement).checked)"
      />
      {{ name }}</label
    >
  </div>
</template>

<style scoped src="./facts.css"></style>
<style scoped src="./played.css"></style>
