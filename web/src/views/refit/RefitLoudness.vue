<script setup lang="ts">
import { computed } from 'vue'
import type { RefitLine } from '@/api/types'
import { numberText } from '@/parts/decibels'

/** How loud each bus comes out before and after. */
const props = defineProps<{
  lines: RefitLine[]
  main: { id: string; name: string }
  before: Map<string, number>
  after: Map<string, number>
}>()

const text = (lufs: number | undefined) => (lufs === undefined ? '—' : numberText(lufs, 1))
const rows = computed(() => {
  const sums = props.lines.filter((l) => l.kind === 'stands-for' || l.kind === 'made')
  return [...sums.map((l) => ({ id: l.channel, name: l.name })), props.main].map(({ id, name }) => {
    const [was, now] = [props.before.get(id), props.after.get(id)]
    const by = was !== undefined && now !== undefined ? now - was : undefined
    const change = by === undefined ? '' : by > 0 ? `+${numberText(by, 1)}` : numberText(by, 1)
    return { id, name, was: text(was), now: text(now), change, isFar: Math.abs(by ?? 0) >= 1 }
  })
})
</script>

<template>
  <table>
    <thead>
      <tr>
        <th>LUFS</th>
        <th>before</th>
        <th>after</th>
        <th>LU</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.id">
        <th scope="row">{{ row.name }}</th>
        <td class="quiet">{{ row.was }}</td>
        <td>{{ row.now }}</td>
        <td :class="row.isFar ? 'far' : 'quiet'">{{ row.change }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped src="../../parts/figureTable.css"></style>

<style scoped>
table {
  --figure-width: 54px;
}

.far {
  color: var(--warning);
}
</style>
