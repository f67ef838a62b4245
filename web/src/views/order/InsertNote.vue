<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Insert, OutsideDevice } from '@/api/types'
import { controlsOf } from '@/devices/controls'
import TextField from '@/parts/TextField.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

/** Notes on an insert and on single controls of it. */
const props = defineProps<{ channel: string; insert: Insert }>()
const document = useDocument()
const catalogue = useCatalogue()
const about = ref('')

const notes = computed(() => props.insert.notes as Record<string, string>)
const controls = computed(() => [
  ...controlsOf(props.insert.device as OutsideDevice | null),
  ...(catalogue.processors.get(props.insert.processor)?.parameters ?? []),
])
const named = computed(() => Object.keys(notes.value).filter((id) => id !== '' && id !== about.value))
const lines = computed(() => (about.value ? [...named.value, about.value] : named.value))
const others = computed(() => controls.value.filter((c) => !lines.value.includes(c.id)))
const nameOf = (id: string) => controls.value.find((c) => c.id === id)?.name ?? id

function put(parameter: string | null, text: string) {
  const edit = { type: 'note-insert' as const, channel: props.channel, insert: props.insert.id, parameter, text }
  void document.edit([edit], props.channel)
}
</script>

<template>
  <div class="notes">
    <TextField
      class="line"
      aria-label="Note on the insert"
      placeholder="A note for whoever works here"
      maxlength="400"
      :value="notes[''] ?? ''"
      @keydown.stop
      @change="(text) => put(null, text)"
    />
    <label v-for="id in lines" :key="id" class="of"
      ><span class="quiet">{{ nameOf(id) }}</span
      ><TextField
        class="line"
        :aria-label="`Note on ${nameOf(id)}`"
        maxlength="400"
        :value="notes[id] ?? ''"
        @keydown.stop
        @change="(text) => put(id, text)"
    /></label>
    <select
      v-if="others.length"
      class="field"
      aria-label="Leave a note on one control"
      value=""
      @change="about = ($event.target as HTMLSelectElement).value"
    >
      <option value="">Note on one control…</option>
      <option v-for="c in others" :key="c.id" :value="c.id">{{ c.name }}</option>
    </select>
  </div>
</template>

<style scoped>
.notes {
  display: grid;
  gap: 4px;
  margin: 2px 0 8px;
}

.of {
  display: grid;
  grid-template-columns: 100px 1fr;
  align-items: center;
}

.line {
  width: 100%;
}

select.field {
  justify-self: start;
  font-size: 12px;
  padding-block: 2px;
}
</style>
