<script setup lang="ts">
import type { NoteInput } from '@/api/types'

/** Which kinds of message a note input keeps out. */
const props = defineProps<{ input: NoteInput }>()
const emit = defineEmits<{ change: [part: Partial<NoteInput>] }>()
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
  const kept = messages.map(([id]) => id).filter((id) => (id === message ? out : props.input.keptOut.includes(id)))
  emit('change', { keptOut: kept })
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
