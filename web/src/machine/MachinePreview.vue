<script setup lang="ts">
import { computed } from 'vue'
import type { Machine } from '@/api/types'

/** What comes of a list of pieces: notes, and which jack carries what. */
const props = defineProps<{ machine?: Machine; outside?: boolean }>()

const notes = computed(() => new Map((props.machine?.pieces ?? []).map((piece) => [piece.name, piece.note])))
const noteOf = (name: string) => notes.value.get(name) ?? 'far'
</script>

<template>
  <section class="preview" tabindex="0" aria-label="What comes of it" aria-live="polite">
    <p v-if="!machine" class="faint">
      As you type or bring sounds, this side shows which jack carries what, and the note that plays it. Nothing is made
      before you say so.
    </p>
    <template v-else>
      <p class="quiet">
        {{ machine.pieces.length }} {{ machine.pieces.length === 1 ? 'source' : 'sources' }} over
        {{ machine.outputs.length }} {{ machine.outputs.length === 1 ? 'output' : 'outputs' }}
      </p>
      <div v-if="machine.notUnderstood.length" class="strange" role="alert">
        <p>Left alone:</p>
        <ul>
          <li v-for="line in machine.notUnderstood" :key="line">{{ line }}</li>
        </ul>
      </div>
      <table>
        <thead>
          <tr>
            <th scope="col">{{ outside ? 'Input' : 'Jack' }}</th>
            <th scope="col">{{ outside ? 'Channel' : 'Output' }}</th>
            <th scope="col">Carries, by note</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="output in machine.outputs" :key="output.jackLabel">
            <td class="jack">{{ output.jackLabel }}</td>
            <td class="serif">{{ output.name }}</td>
            <td>
              <span v-for="name in output.carries" :key="name" class="carried"
                >{{ name }} <i class="faint">{{ noteOf(name) }}</i></span
              >
            </td>
          </tr>
        </tbody>
      </table>
    </template>
  </section>
</template>

<style scoped>
.preview {
  max-height: 460px;
  overflow: auto;
  padding: 2px 4px 0 20px;
  border-left: 1px solid var(--line-soft);
}

p {
  margin: 0 0 8px;
}

ul {
  margin: 0 0 8px;
  padding-left: 16px;
}

.strange {
  color: var(--blocker);
  overflow-wrap: anywhere;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th {
  font-weight: 400;
  color: var(--text-2);
}

th,
td {
  padding: 3px 10px 3px 0;
  text-align: left;
  vertical-align: baseline;
  border-bottom: 1px solid var(--line-soft);
}

.jack {
  white-space: nowrap;
  color: var(--text-2);
}

.carried {
  display: inline-block;
  margin-right: 10px;
}

i {
  font-style: normal;
}

@media (max-width: 700px) {
  .preview {
    padding-left: 0;
    border-left: 0;
  }
}
</style>
