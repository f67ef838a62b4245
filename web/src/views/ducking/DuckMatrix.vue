<script setup lang="ts">
import { computed } from 'vue'
import DuckCurve from './DuckCurve.vue'
import { keyOf } from './duckingCalls'
import type { Ducker } from '@/api/types'
import { numberText } from '@/parts/decibels'

/** Who gives way, line by line, and to whom, column by column. */
const props = defineProps<{ duckers: readonly Ducker[]; chosen: string | undefined }>()
const emit = defineEmits<{ choose: [key: string] }>()
const beat = '(beat)'
const wide = 150
const high = 30

const columns = computed(() => {
  const found = new Map<string, string>()
  for (const ducker of props.duckers) {
    for (const by of ducker.by) found.set(by.channel as string, by.name)
    if (ducker.by.length === 0) found.set(beat, ducker.way === 'notes' ? 'the beat' : 'nobody yet')
  }
  return [...found].map(([id, name]) => ({ id, name }))
})
const isBy = (ducker: Ducker, column: string) =>
  column === beat ? ducker.by.length === 0 : ducker.by.some((b) => b.channel === column)
const scale = computed(() => Math.max(6, ...props.duckers.map((d) => d.reading?.depthDb ?? 0)))

/** As it is read on the cell. */
function said({ reading }: Ducker) {
  if (!reading) return 'nothing to measure'
  return `−${numberText(reading.depthDb, 1)} dB${reading.recovers ? '' : ' still down'}`
}

function step(index: number, by: number, event: KeyboardEvent) {
  const to = props.duckers[index + by]
  if (!to) return
  event.preventDefault()
  emit('choose', keyOf(to))
  const cells = (event.currentTarget as HTMLElement).closest('table')?.querySelectorAll<HTMLElement>('.cell')
  cells?.[index + by]?.focus()
}
</script>

<template>
  <div class="wide">
    <table>
      <thead>
        <tr>
          <th scope="col">Gives way</th>
          <th v-for="column in columns" :key="column.id" scope="col">to {{ column.name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(ducker, i) in duckers" :key="keyOf(ducker)">
          <th scope="row">
            {{ ducker.name }} <small class="quiet">{{ ducker.way === 'notes' ? 'by notes' : 'by level' }}</small>
          </th>
          <td v-for="column in columns" :key="column.id">
            <button
              v-if="isBy(ducker, column.id)"
              type="button"
              class="cell"
              :class="{ chosen: chosen === keyOf(ducker) }"
              :aria-pressed="chosen === keyOf(ducker)"
              :aria-label="`${said(ducker)}: ${ducker.name} gives way to ${column.name}`"
              @click="emit('choose', keyOf(ducker))"
              @keydown.down="step(i, 1, $event)"
              @keydown.up="step(i, -1, $event)"
            >
              <svg :viewBox="`0 -3 ${wide} ${high + 6}`" :width="wide" :height="high + 6" aria-hidden="true">
                <DuckCurve
                  v-if="ducker.reading"
                  :curve="ducker.reading.curveDb"
                  :wide="wide"
                  :high="high"
                  :scale-db="scale"
                />
              </svg>
              <span v-if="ducker.reading"
                >−{{ numberText(ducker.reading.depthDb, 1) }} dB
                <b v-if="!ducker.reading.recovers" title="Not back before the next hit">still down</b></span
              >
              <span v-else class="quiet" :title="ducker.trouble ?? ''">nothing to measure</span>
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
/* Where it is wider than the window, who gives way stays in sight. */
.wide {
  overflow-x: auto;
}

th:first-child {
  position: sticky;
  left: 0;
  background: var(--ground);
}

table {
  border-collapse: separate;
  border-spacing: 6px;
  margin-left: -6px;
}

th {
  text-align: left;
  font-weight: 500;
  color: var(--text-2);
}

tbody th {
  color: var(--text);
  min-width: 130px;
}

small {
  display: block;
  font-weight: 400;
  font-size: 11.5px;
}

.cell {
  display: grid;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: none;
  padding: 4px 8px;
  cursor: pointer;
}

.cell span {
  text-align: right;
  font-size: 12px;
}

.cell b {
  color: var(--blocker);
  font-weight: 500;
}

.cell.chosen {
  border-color: var(--lamp);
}
</style>
