<script setup lang="ts">
import { computed } from 'vue'
import type { StrikeCounts } from '@/api/types'

/** The song and what comes of it, counted side by side. */
const props = defineProps<{ before: StrikeCounts; after: StrikeCounts }>()

const all: [keyof StrikeCounts, string][] = [
  ['channels', 'Channels'],
  ['buses', 'of them buses'],
  ['returns', 'returns'],
  ['splits', 'splits'],
  ['spares', 'spares'],
  ['hidden', 'hidden in every act'],
  ['resting', 'resting in every act'],
  ['muted', 'muted'],
  ['inserts', 'Inserts'],
  ['insertsOff', 'of them switched off'],
  ['sends', 'Sends'],
  ['keys', 'Sidechain feeds'],
  ['patterns', 'Patterns'],
  ['sounds', 'Sounds'],
  ['curves', 'Curves'],
]
const rows = computed(() => all.filter(([key]) => props.before[key] > 0 || props.after[key] > 0))
</script>

<template>
  <table>
    <thead>
      <tr>
        <th><span class="unseen">What</span></th>
        <th>Song</th>
        <th>Template</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="[key, words] in rows" :key="key">
        <th scope="row" :class="{ part: words[0] !== words[0]!.toUpperCase() }">{{ words }}</th>
        <td class="quiet">{{ before[key] }}</td>
        <td>{{ after[key] }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped src="../../parts/figureTable.css"></style>

<style scoped>
table {
  --figure-width: 74px;
}

tbody th {
  color: var(--text-2);
}

.part {
  padding-left: 14px;
}
</style>
