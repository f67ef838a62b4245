<script setup lang="ts">
import { computed } from 'vue'
import type { SilentReason } from '@/api/types'

/** That something would be silent: what stops sound, each once, with the channels at which it does. */
const props = defineProps<{ reasons: readonly SilentReason[] }>()
const mostNames = 3

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
      <li v-for="stop in stops" :key="stop.why">
        <b :title="stop.at.join(', ')">{{ listed(stop.at) }}</b>{{ stop.at.length > 1 ? ': each' : '' }} {{ stop.why }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  max-height: 80px;
  margin: 0;
  padding: 0;
  overflow: auto;
  list-style: none;
}

b {
  font-weight: 500;
  color: var(--text-2);
}
</style>
