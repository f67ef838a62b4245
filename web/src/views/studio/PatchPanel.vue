<script setup lang="ts">
import { ref } from 'vue'
import type { FitChoices } from './useFitChoices'
import type { StudioFit } from '@/api/types'
import { useDocument } from '@/state/document'

/** The proposed patching, taken whole or by line, and how late the inputs are heard. */
const props = defineProps<{ fit: StudioFit; choices: FitChoices }>()
const document = useDocument()
const trouble = ref<string>()
const actName = () => document.head?.acts.find((a) => a.id === document.act)?.name ?? document.act

async function patch() {
  trouble.value = undefined
  if (await document.edit(props.choices.edits.value)) props.choices.reset()
  else trouble.value = document.refusal?.sentence
}

async function park() {
  if (!(await document.edit(props.fit.parking.edits))) trouble.value = document.refusal?.sentence
}
</script>

<template>
  <aside aria-label="Proposed patching">
    <h2>Proposed patching</h2>
    <p v-if="choices.changing.value.length === 0" class="proven">
      Everything that it names is patched to {{ fit.studio }}.
    </p>
    <template v-else>
      <p class="quiet">
        {{ choices.changing.value.length }} {{ choices.changing.value.length === 1 ? 'line' : 'lines' }}, one step to
        take back.
      </p>
      <ul>
        <li v-for="line in choices.changing.value" :key="line.key">
          <label>
            <input type="checkbox" :checked="choices.isTaken(line)" @change="choices.turn(line)" />
            <span>{{ line.name }} {{ line.choices[choices.choiceOf(line)]?.name }}</span>
          </label>
        </li>
      </ul>
      <button type="button" class="loud" :disabled="choices.edits.value.length === 0" @click="patch">
        Patch it so
      </button>
    </template>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>

    <h2>Heard through it, in {{ actName() }}</h2>
    <p v-if="fit.paths.length === 0" class="quiet">No input is monitored in this act.</p>
    <template v-else>
      <table>
        <thead>
          <tr>
            <th>Input</th>
            <th class="right">strip</th>
            <th class="right">with buffers</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="path in fit.paths" :key="path.channel">
            <td>
              {{ path.name
              }}<span v-if="path.unknownLatency.length" class="plum" :title="path.unknownLatency.join(', ')">
                and what nobody knows</span
              >
            </td>
            <td class="right quiet">{{ path.chainMs.toFixed(1) }} ms</td>
            <td class="right" :class="{ none: path.isLate }">{{ path.milliseconds.toFixed(1) }} ms</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">Buffers {{ fit.bufferMs.toFixed(1) }} ms, asked for {{ fit.budgetMs.toFixed(1) }} ms at most.</p>
      <p v-if="fit.parking.buffersAlone" class="none">
        The buffers alone take longer than that: smaller ones help, and no insert does.
      </p>
      <template v-else-if="fit.parking.inserts.length">
        <p>
          Parking <b>{{ fit.parking.inserts.join(', ') }}</b> is enough for every input:
          {{ fit.parking.worstMs?.toFixed(1) }} ms<template v-if="!fit.parking.isExact"
            >, as far as could be tried</template
          >.
        </p>
        <button type="button" class="plain" @click="park">
          Park {{ fit.parking.inserts.length === 1 ? 'it' : 'them' }} in {{ actName() }}
        </button>
      </template>
      <p v-else class="proven">Every input is heard in time.</p>
    </template>
  </aside>
</template>

<style scoped src="../../look/table.css"></style>
<style scoped>
aside {
  background: var(--panel);
  border-left: 1px solid var(--line-soft);
  padding: 18px;
  overflow: auto;
}

h2 {
  font-size: 17px;
}

h2 ~ h2 {
  margin-top: 22px;
}

p {
  margin: 6px 0;
}

ul {
  list-style: none;
  margin: 8px 0 12px;
  padding: 0;
}

label {
  display: flex;
  align-items: baseline;
  gap: 8px;
  padding: 3px 0;
}

.proven {
  color: var(--proven);
}

.none {
  color: var(--blocker);
}

.plum {
  color: var(--plum);
}

@media (max-width: 900px) {
  aside {
    border-left: 0;
    border-top: 1px solid var(--line-soft);
  }
}
</style>
