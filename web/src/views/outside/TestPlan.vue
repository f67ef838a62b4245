<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/types'

/** What is to be recorded of the test, and what it leaves out. */
const props = defineProps<{ plan: Schemas['TestPlanView'] }>()

/** What is left out for one reason is said once. */
const unfired = computed(() => {
  const byReason = new Map<string, string[]>()
  for (const { name, why } of props.plan.unfired) byReason.set(why, [...(byReason.get(why) ?? []), name])
  return [...byReason].map(([why, names]) => ({
    why: `${why[0]!.toUpperCase()}${why.slice(1)}`,
    names: names.join(', '),
  }))
})
</script>

<template>
  <section aria-label="Channels to record">
    <h2>Record as many of these as you like</h2>
    <p class="quiet">
      After their faders, from one start, as files that bear their names. Each proves what leads to it.
    </p>
    <ul>
      <li v-for="c in plan.channels" :key="c.id" :style="{ paddingLeft: `${c.depth * 14}px` }">
        {{ c.name }} <small class="faint">{{ c.kind === 'return' ? 'return' : c.kind === 'bus' ? 'bus' : '' }}</small>
      </li>
    </ul>
  </section>
  <section v-if="plan.unfired.length" aria-label="Not in the test">
    <h2>Not in the test</h2>
    <p v-for="u in unfired" :key="u.why" class="quiet left">{{ u.why }}: {{ u.names }}.</p>
  </section>
</template>

<style scoped>
h2 {
  font-size: 16px;
  margin: 12px 0 4px;
}

ul {
  columns: 3 210px;
  column-gap: 24px;
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}

li {
  break-inside: avoid;
  padding: 1px 0;
}

.left {
  max-width: 760px;
  margin: 0 0 4px;
}

small {
  font-size: 11.5px;
}
</style>
