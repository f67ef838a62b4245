<script setup lang="ts">
import { computed } from 'vue'
import { numberText } from './decibels'
import { useListening } from '@/state/listening'

/** What the meters of the listening point read over the whole of it. */
const listening = useListening()
const readings = computed(() => {
  const m = listening.meters
  const text = (value: number | null | undefined, digits: number, unit: string) =>
    value == null ? '—' : `${numberText(value, digits)}${unit}`
  return [
    { name: 'Loudness', value: text(m?.loudnessLufs, 1, ' LUFS') },
    { name: 'Range', value: text(m?.rangeLu, 1, ' LU') },
    { name: 'True peak', value: text(m?.truePeakDbtp, 1, ' dBTP') },
    { name: 'Correlation', value: text(m?.correlation, 2, '') },
  ]
})
</script>

<template>
  <dl class="meters" aria-live="polite">
    <div v-for="r in readings" :key="r.name">
      <dt>{{ r.name }}</dt>
      <dd>{{ r.value }}</dd>
    </div>
  </dl>
</template>

<style scoped>
dt {
  font-size: 11px;
  color: var(--text-3);
}

.meters {
  display: grid;
  grid-template-columns: auto auto;
  gap: 2px 14px;
  margin: 0;
}

.meters div {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 6px;
}

.meters dd {
  margin: 0;
  font-weight: 600;
  font-size: 13px;
  white-space: nowrap;
}
</style>
