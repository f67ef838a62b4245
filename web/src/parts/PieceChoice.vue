<script setup lang="ts">
import { computed, ref } from 'vue'
import { noteName, noteOf, noteText } from './noteNames'

/** Some notes out of all: the pieces of a kit by their names where there is one, else notes as people write them. */
const props = defineProps<{
  label: string
  pieces: readonly { note: number; name: string }[]
  /** None means all of them. */
  numbers: readonly number[]
}>()
const emit = defineEmits<{ change: [numbers: number[]] }>()

/** What is chosen and no piece of the kit stays to be seen, and can be taken off. */
const shown = computed(() => [
  ...props.pieces,
  ...props.numbers
    .filter((note) => !props.pieces.some((p) => p.note === note))
    .map((note) => ({ note, name: noteText(note) })),
])

function turn(note: number, on: boolean) {
  emit('change', on ? [...props.numbers, note].sort((a, b) => a - b) : props.numbers.filter((n) => n !== note))
}

/** The first word that is no note. */
const unread = ref<string>()
const text = computed(() => props.numbers.map(noteName).join(' '))

function typed(event: Event) {
  const words = (event.target as HTMLInputElement).value.split(/[\s,;]+/).filter(Boolean)
  const read = words.map(noteOf).filter((n) => n !== undefined)
  unread.value = words.find((word) => noteOf(word) === undefined)
  if (!unread.value) emit('change', [...new Set(read)].sort((x, y) => x - y)) // prettier-ignore
}
</script>

<template>
  <div v-if="pieces.length" class="pieces" role="group" :aria-label="label">
    <label v-for="p in shown" :key="p.note" :class="{ on: numbers.includes(p.note) }"
      ><input
        type="checkbox"
        :checked="numbers.includes(p.note)"
        @change="turn(p.note, ($event.target as HTMLInputElement).checked)"
      />{{ p.name }}</label
    >
  </div>
  <input
    v-else
    class="field"
    :aria-label="label"
    placeholder="every note; or C2 D2"
    :value="text"
    @keydown.stop
    @change="typed"
  />
  <span v-if="unread" class="trouble" role="alert">“{{ unread }}” is no note: 36, C2 or F♯3.</span>
</template>

<style scoped>
.pieces {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}

label {
  display: flex;
  align-items: center;
  gap: 5px;
  padding: 2px 8px 2px 6px;
  border: 1px solid var(--line-soft);
  border-radius: 12px;
  color: var(--text-2);
  font-size: 13px;
}

.on {
  color: var(--text);
  border-color: var(--line);
}
</style>
