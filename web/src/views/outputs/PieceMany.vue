<script setup lang="ts">
import { computed } from 'vue'
import type { Edit, Kit, OutputLine, Part } from '@/api/types'
import { useDocument } from '@/state/document'

/** What can be done with several pieces at once. */
const props = defineProps<{ channel: string; kit: Kit; lines: Part[]; outputs: OutputLine[] }>()
const emit = defineEmits<{ done: [] }>()
const document = useDocument()

const names = computed(() => props.lines.map((line) => line.name))
/** Whole pieces are taken out, and far microphones. */
const owners = computed(() => [...new Set(props.lines.map((line) => line.piece ?? line.name))])
const isTogether = computed(() => props.lines.some((line) => line.microphone.together))

const send = (edit: Edit) => document.edit([edit], props.channel)
const value = (event: Event) => (event.target as HTMLSelectElement).value

function sendTo(event: Event) {
  const output = Number(value(event))
  if (output) void send({ type: 'send-to-output', channel: props.channel, lines: names.value, output })
}

function together() {
  const word = isTogether.value ? null : names.value[0]!
  void send({ type: 'pin-together', channel: props.channel, lines: names.value, word })
}

async function takeOut() {
  if (await send({ type: 'remove-pieces', channel: props.channel, names: owners.value })) emit('done')
}
</script>

<template>
  <div class="many" role="group" :aria-label="`${lines.length} chosen`">
    <b>{{ lines.length }} chosen</b>
    <select class="field" aria-label="Send them to" value="" @change="sendTo">
      <option value="">Send them to…</option>
      <option v-for="line in outputs" :key="line.number" :value="line.number">
        {{ line.jackLabel }} {{ line.name }}
      </option>
    </select>
    <button type="button" class="plain" :disabled="lines.length < 2 && !isTogether" @click="together">
      {{ isTogether ? 'Plan them apart' : 'Plan them as one' }}
    </button>
    <button type="button" class="plain" @click="takeOut">Take them out</button>
    <button type="button" class="plain bare" @click="emit('done')">Choose none</button>
    <span v-if="document.refusal" class="trouble" role="alert">{{ document.refusal.sentence }}</span>
  </div>
</template>

<style scoped>
.many {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  padding: 4px 0 8px;
}

.many .field {
  padding: 3px 26px 3px 8px;
}

.trouble {
  color: var(--blocker);
}
</style>
