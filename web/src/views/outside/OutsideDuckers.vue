<script setup lang="ts">
import type { Schemas } from '@/api/types'
import { numberText } from '@/parts/decibels'

/** How far each ducker went down and when it was back, beside what it does here. */
defineProps<{ duckers: Schemas['DuckerRow'][] }>()
const back = (ms: number | null | undefined) => (ms === null || ms === undefined ? '–' : `${ms.toFixed(0)}`)
</script>

<template>
  <h2>Duckers</h2>
  <table>
    <thead>
      <tr>
        <th scope="col">Channel</th>
        <th scope="col">Under</th>
        <th scope="col">Depth, dB</th>
        <th scope="col">here</th>
        <th scope="col">Back after, ms</th>
        <th scope="col">here</th>
        <th scope="col" class="words"></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(d, n) in duckers" :key="n">
        <th scope="row">{{ d.channelName }}</th>
        <td class="words">{{ d.under ?? 'the beat' }}</td>
        <td :class="{ wrong: d.faults.some((f) => f.kind === 'depth') }">{{ numberText(d.db, 1) }}</td>
        <td class="quiet">{{ numberText(d.expectedDb, 1) }}</td>
        <td :class="{ wrong: d.faults.some((f) => f.kind === 'recovery') }">{{ back(d.backMs) }}</td>
        <td class="quiet">{{ back(d.expectedBackMs) }}</td>
        <td class="words quiet">{{ d.isIdleHere ? 'hardly gives way here either' : '' }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
h2 {
  font-size: 16px;
  margin: 18px 0 4px;
}

table {
  border-collapse: collapse;
}

th,
td {
  font-weight: 400;
  padding: 3px 18px 3px 0;
  text-align: right;
  font-variant-numeric: tabular-nums;
}

th:first-child,
th:nth-child(2),
.words {
  text-align: left;
}

thead th {
  color: var(--text-2);
}

tbody tr {
  border-top: 1px solid var(--line-soft);
}

.wrong {
  color: var(--blocker);
}
</style>
