<script setup lang="ts" generic="T extends { id: string; name: string; depth: number; silentBecause: SilentReason[] }">
import { computed } from 'vue'
import type { SilentReason } from '@/api/types'

/** Channels to be ticked, nested as they stand; those of which nothing would be heard say so, with what stops it beneath. */
const props = defineProps<{ channels: T[]; taken: T[] }>()
const chosen = defineModel<string[]>({ required: true })
const mostNames = 3
const least = computed(() => Math.min(...props.channels.map((c) => c.depth)))
const silent = computed(() => props.taken.filter((c) => c.silentBecause.length > 0))

/** What stops sound, each once, with those at which it does. */
const stops = computed(() => {
  const names = new Map<string, Set<string>>()
  for (const { name, why } of silent.value.flatMap((c) => c.silentBecause))
    names.set(why, (names.get(why) ?? new Set()).add(name))
  return [...names].map(([why, at]) => ({ why, at: [...at] }))
})

const listed = (names: string[]) =>
  names.length <= mostNames + 1
    ? names.join(', ')
    : `${names.slice(0, mostNames).join(', ')} and ${names.length - mostNames} more`
</script>

<template>
  <ul aria-label="Channels">
    <li v-for="c in channels" :key="c.id">
      <label :style="{ paddingLeft: `${(c.depth - least) * 12}px` }">
        <input v-model="chosen" type="checkbox" :value="c.id" />
        <span>{{ c.name }}</span>
        <slot :channel="c" />
        <small
          v-if="c.silentBecause.length"
          class="lacks"
          :title="c.silentBecause.map((r) => `${r.name} ${r.why}.`).join(' ')"
          >silent</small
        >
      </label>
    </li>
  </ul>
  <div v-if="silent.length" class="quiet" role="note">
    {{ silent.length === 1 ? 'One of them would be silent' : `${silent.length} of them would be silent` }}:
    <ul class="stops">
      <li v-for="stop in stops" :key="stop.why">
        <b :title="stop.at.join(', ')">{{ listed(stop.at) }}</b>{{ stop.at.length > 1 ? ': each' : '' }} {{ stop.why }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  max-height: 260px;
  margin: 0;
  padding: 0;
  overflow: auto;
  list-style: none;
}

label {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 2px 0;
  color: var(--text-2);
}

input {
  accent-color: var(--lamp);
}

.lacks {
  color: var(--plum);
}

.stops {
  max-height: 80px;
}

.stops b {
  font-weight: 500;
  color: var(--text-2);
}
</style>
