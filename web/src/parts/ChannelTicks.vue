<script setup lang="ts" generic="T extends { id: string; name: string; depth: number; silentBecause: SilentReason[] }">
import { computed } from 'vue'
import SilentNote from './SilentNote.vue'
import type { SilentReason } from '@/api/types'

/** Channels to be ticked, nested as they stand; those of which nothing would be heard say so, with what stops it beneath. */
const props = defineProps<{ channels: T[]; taken: T[] }>()
const chosen = defineModel<string[]>({ required: true })
const least = computed(() => Math.min(...props.channels.map((c) => c.depth)))
const silent = computed(() => props.taken.filter((c) => c.silentBecause.length > 0))
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
  <SilentNote v-if="silent.length" :reasons="silent.flatMap((c) => c.silentBecause)">{{
    silent.length === 1 ? `${silent[0]!.name} would be silent` : `${silent.length} of them would be silent`
  }}</SilentNote>
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

.lacks {
  color: var(--plum);
}
</style>
