<script setup lang="ts">
import { computed } from 'vue'
import type { SilentReason } from '@/api/types'

/** That something would be silent: what stops sound, each once, with the channels at which it does. */
const props = defineProps<{ reasons: readonly SilentReason[] }>()
const mostNames = 3
const mostStops = 5

const stops = computed(() => {
  const names = new Map<string, Set<string>>()
  for (const { name, why } of props.reasons) names.set(why, (names.get(why) ?? new Set()).add(name))
  return [...names].map(([why, at]) => ({ why, at: [...at] }))
})

const listed = (names: string[]) =>
  names.length <= mostNames + 1
    ? names.join(', ')
    : `${names.slice(0, mostNames).join(', ')} and ${names.length - mostNames} more`
</script>

<template>
  <div class="quiet" role="note">
    <slot />:
    <ul>
      <li v-for="stop in stops.slice(0, mostStops)" :key="stop.why">
        <b :title="stop.at.join(', ')">{{ listed(stop.at) }}</b>{{ stop.at.length > 1 ? ': each' : '' }} {{ stop.why }}
      </li>
      <li v-if="stops.length > mostStops">and {{ stops.length - mostStops }} more</li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

b {
  font-weight: 500;
  color: var(--text-2);
}
</style>
