<script setup lang="ts">
import { computed } from 'vue'
import type { MovedRange } from './rows'
import ValueField from '@/parts/ValueField.vue'

/** One end of what moves: a number as people write it, or a word where numbers mean words. */
const props = defineProps<{ label: string; range: MovedRange; value: number | null; step: number }>()
const emit = defineEmits<{ change: [value: number | null] }>()
const place = computed(() => Math.round(props.value ?? 0))
</script>

<template>
  <select
    v-if="range.words.length"
    class="field"
    :aria-label="label"
    :value="place"
    @change="emit('change', Number(($event.target as HTMLSelectElement).value))"
  >
    <option v-for="(word, i) in range.words" :key="word" :value="i">{{ word }}</option>
  </select>
  <ValueField
    v-else
    :label="label"
    :form="range.isLevel ? 'level' : 'number'"
    :unit="range.symbol"
    :counts="range.counts"
    :value="value"
    :min="range.min"
    :max="range.max"
    :step="step"
    @change="emit('change', $event)"
  />
</template>
