<script setup lang="ts">
import { computed } from 'vue'
import type { FitChoices } from './useFitChoices'
import type { FitLine } from '@/api/types'

/** What a template names of a studio, and what each of it meets here. */
const props = defineProps<{ lines: FitLine[]; choices: FitChoices }>()
const heads = {
  input: 'Comes in',
  'shared-input': 'Shares an input',
  output: 'Goes out',
  'midi-device': 'Is played by',
}
const groups = computed(() =>
  (Object.keys(heads) as (keyof typeof heads)[])
    .map((kind) => ({ kind, head: heads[kind], lines: props.lines.filter((line) => line.kind === kind) }))
    .filter((group) => group.lines.length),
)
</script>

<template>
  <p v-if="lines.length === 0" class="quiet">It takes no input and names nothing of a studio.</p>
  <table v-for="group in groups" :key="group.kind">
    <thead>
      <tr>
        <th class="name">{{ group.head }}</th>
        <th>made for</th>
        <th>here</th>
        <th class="what">what is done</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="line in group.lines" :key="line.key">
        <td class="name">{{ line.name }}</td>
        <td class="quiet">{{ line.madeFor }}</td>
        <td :class="line.here ? '' : 'none'">{{ line.here ?? 'not here' }}</td>
        <td class="what">
          <span v-if="line.note" class="quiet">{{ line.note }}</span>
          <select
            v-if="line.choices.length > 1"
            class="field"
            :aria-label="`What ${line.name} does`"
            :value="choices.choiceOf(line)"
            @change="choices.choose(line, Number(($event.target as HTMLSelectElement).value))"
          >
            <option v-for="(choice, i) in line.choices" :key="choice.name" :value="i">{{ choice.name }}</option>
          </select>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped src="../../look/table.css"></style>
<style scoped>
table {
  margin-bottom: 14px;
  table-layout: fixed;
}

.name {
  width: 25%;
  overflow-wrap: anywhere;
}

.what {
  width: 36%;
}

.what .field {
  display: block;
  max-width: 100%;
  margin-top: 2px;
}

.none {
  color: var(--blocker);
}

@media (max-width: 700px) {
  thead {
    display: none;
  }

  tr {
    display: flex;
    flex-wrap: wrap;
    gap: 0 14px;
    padding: 6px 0;
    border-bottom: 1px solid var(--line-soft);
  }

  td {
    border: 0;
    padding: 0;
  }

  .name,
  .what {
    flex: 1 0 100%;
    width: auto;
  }
}
</style>
