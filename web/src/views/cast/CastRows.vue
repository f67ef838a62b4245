<script setup lang="ts">
import { computed } from 'vue'
import type { CastRow } from '@/api/types'
import { inkOf } from '@/look/ink'

/** The running order that a list makes. */
const props = defineProps<{ rows: readonly CastRow[]; gone: readonly string[] }>()
const states = { new: 'new', changed: 'changed', there: '' }
const isSum = (row: CastRow) => row.kind === 'bus' || row.kind === 'main'
const mostShown = 600
const shown = computed(() => props.rows.slice(0, mostShown))
const shortNames: Record<string, string> = {
  Equaliser: 'EQ',
  Compressor: 'Comp',
  'Pitch correction': 'Pitch',
  'Gain stage': 'Gain',
}
</script>

<template>
  <table>
    <thead class="unseen">
      <tr>
        <th>Channel</th>
        <th>Strip</th>
        <th>What it is</th>
        <th>State</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in shown" :key="row.id" :class="row.state">
        <th scope="row" :style="{ paddingLeft: `${10 + 16 * row.depth}px` }" :class="{ serif: isSum(row) }">
          <i v-if="row.colour" class="hue inked" :style="inkOf(row.colour)" aria-hidden="true"></i>{{ row.name }}
        </th>
        <td class="quiet roomy">{{ row.strip.map((s) => shortNames[s] ?? s).join('  ') }}</td>
        <td class="faint" :title="row.about">{{ row.about }}</td>
        <td class="state">{{ states[row.state] }}</td>
      </tr>
      <tr v-for="name in gone" :key="`gone ${name}`" class="gone">
        <th scope="row">{{ name }}</th>
        <td class="roomy"></td>
        <td></td>
        <td class="state">goes</td>
      </tr>
    </tbody>
  </table>
  <p v-if="rows.length > mostShown" class="faint">and {{ rows.length - mostShown }} more</p>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}

tr {
  height: 29px;
  border-bottom: 1px solid var(--line-soft);
}

th,
td {
  text-align: left;
  font-weight: 400;
  padding: 0 10px;
}

th {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  max-width: 260px;
}

th.serif {
  font-weight: 500;
  font-size: 14px;
}

.hue {
  display: inline-block;
  width: 8px;
  height: 8px;
  margin-right: 8px;
  border-radius: 50%;
  background: var(--family);
}

.there th {
  color: var(--text-2);
}

td {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  max-width: 0;
  width: 34%;
}

td.roomy {
  width: 26%;
}

td.state {
  width: 60px;
  max-width: none;
}

.state {
  text-align: right;
  color: var(--proven);
}

.gone th,
.gone .state {
  color: var(--blocker);
  text-decoration: line-through;
}

.gone .state {
  text-decoration: none;
}

@media (max-width: 900px) {
  .roomy {
    display: none;
  }
}
</style>
