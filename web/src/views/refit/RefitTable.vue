<script setup lang="ts">
import { computed } from 'vue'
import { stays } from './useRefit'
import type { RefitKind, RefitLine } from '@/api/types'
import Picker from '@/parts/Picker.vue'

/** Every bus and channel with its place on the plan, and why. */
const props = defineProps<{ lines: RefitLine[]; choices: { value: string; text: string }[] }>()
defineEmits<{ place: [channel: string, sum: string] }>()

const titles: Record<RefitKind, [string, string]> = {
  'stands-for': ['Buses and returns that stand for the plan’s', ''],
  made: ['Made, because something goes there', ''],
  moves: ['Moves', ''],
  'no-place': ['No place found: stays where it is', 'Choose one, or leave it.'],
  stays: ['Goes there already', ''],
}
const kinds: RefitKind[] = ['no-place', 'moves', 'stands-for', 'made', 'stays']
const groups = computed(() =>
  kinds.map((kind) => ({ kind, lines: props.lines.filter((l) => l.kind === kind) })).filter((g) => g.lines.length > 0),
)
</script>

<template>
  <table>
    <tbody v-for="g in groups" :key="g.kind">
      <tr class="head">
        <th colspan="4" scope="rowgroup">
          <span class="serif">{{ titles[g.kind][0] }}</span> <span class="faint">{{ g.lines.length }}</span>
          <small v-if="titles[g.kind][1]" class="quiet">{{ titles[g.kind][1] }}</small>
        </th>
      </tr>
      <tr v-for="line in g.lines" :key="line.channel">
        <th scope="row">{{ line.name }}</th>
        <td class="quiet from">{{ line.from && line.kind !== 'stands-for' ? line.from : '' }}</td>
        <td class="to">
          <Picker
            v-if="line.mayTurn"
            :label="`Where ${line.name} goes`"
            :choices="choices"
            :value="line.kind === 'no-place' ? stays : line.to"
            @choose="(sum) => $emit('place', line.channel, sum)"
          />
          <template v-else>{{ line.toName }}</template>
        </td>
        <td class="quiet why">{{ line.why }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}

tr:not(.head) {
  border-top: 1px solid var(--line-soft);
}

th {
  text-align: left;
  font-weight: 400;
}

td,
th {
  padding: 3px 12px 3px 0;
  height: 31px;
}

.head th {
  padding-top: 16px;
}

.head .serif {
  font-size: 15px;
}

.head small {
  margin-left: 10px;
}

.from {
  width: 20%;
}

.to {
  width: 220px;
}

.to :deep(.picker) {
  width: 100%;
}

.why {
  width: 34%;
}

@media (max-width: 700px) {
  .from,
  .why {
    display: none;
  }
}
</style>
