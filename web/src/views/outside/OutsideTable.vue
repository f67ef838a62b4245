<script setup lang="ts">
import type { Schemas } from '@/api/types'
import { numberText } from '@/parts/decibels'

/** Every pad and instrument that was fired, with how it came back: level and time where it comes in, then all that hears it further on. */
defineProps<{ rows: Schemas['AnswerRow'][] }>()

const verdicts: Record<Schemas['OutsideVerdict'], string> = {
  arrived: 'arrived',
  wrong: 'wrong',
  'not-recorded': 'not recorded',
  'silent-here': 'silent here too',
}
const faults: Record<Schemas['FaultKind'], string> = {
  missing: 'not heard',
  swapped: 'another in its place',
  doubled: 'does not belong here',
  twice: 'twice',
  'upside-down': 'upside down',
  'side-upside-down': 'one side upside down',
  'sides-swapped': 'sides swapped',
  balance: 'off its place',
  late: 'off its time',
  level: 'off its level',
  dry: 'dry',
  otherwise: 'sounds otherwise',
  depth: '',
  recovery: '',
}
const signed = (value: number | null | undefined, digits: number) =>
  value === null || value === undefined
    ? '–'
    : `${value > 0 && numberText(value, digits) !== numberText(0, digits) ? '+' : ''}${numberText(value, digits)}`
const further = (row: Schemas['AnswerRow']) => row.cells.slice(1)
const wordsOf = (cell: Schemas['AnswerCell']) => cell.faults.map((f) => faults[f.kind]).join(', ')
</script>

<template>
  <table>
    <thead>
      <tr>
        <th scope="col">Fired</th>
        <th scope="col">Came back</th>
        <th scope="col">On</th>
        <th scope="col" class="number">Level, dB</th>
        <th scope="col" class="number">Time, ms</th>
        <th scope="col">And on</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, n) in rows" :key="n">
        <th scope="row">
          {{ row.name }} <small v-if="row.player !== row.name" class="faint">{{ row.player }}</small>
        </th>
        <td :class="row.verdict">{{ verdicts[row.verdict] }}</td>
        <td>
          {{ row.cells[0]?.channelName ?? '' }}
          <small v-if="row.cells[0]?.faults.length" class="wrong">{{ wordsOf(row.cells[0]) }}</small>
        </td>
        <td class="number">{{ row.cells.length ? signed(row.cells[0]!.offDb, 1) : '' }}</td>
        <td class="number">{{ row.cells.length ? signed(row.cells[0]!.lateMs, 1) : '' }}</td>
        <td class="quiet">
          <template v-for="(cell, i) in further(row)" :key="cell.channel"
            ><template v-if="i">, </template
            ><span :class="{ wrong: cell.faults.length }"
              >{{ cell.channelName }}<template v-if="cell.faults.length"> ({{ wordsOf(cell) }})</template></span
            ></template
          >
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  text-align: left;
  font-weight: 400;
  padding: 3px 12px 3px 0;
  vertical-align: baseline;
}

thead th {
  color: var(--text-2);
  white-space: nowrap;
}

tbody tr {
  border-top: 1px solid var(--line-soft);
}

th[scope='row'] {
  white-space: nowrap;
}

.number {
  text-align: right;
  white-space: nowrap;
  font-variant-numeric: tabular-nums;
}

small {
  font-size: 11.5px;
  margin-left: 4px;
}

td small {
  display: block;
  margin-left: 0;
}

.arrived {
  color: var(--proven);
}

.wrong {
  color: var(--blocker);
}

.not-recorded,
.silent-here {
  color: var(--text-3);
}
</style>
