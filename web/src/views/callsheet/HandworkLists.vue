<script setup lang="ts">
import { computed, toRef } from 'vue'
import { useTicks } from './useTicks'
import { workLines } from './workLines'
import type { Schemas } from '@/api/types'

/** What remains to be done by hand, in the order in which it is quickest, each line with a box to tick. */
const props = defineProps<{ document: string; work: Schemas['SheetWork'][] }>()
const { ticked, tick } = useTicks(toRef(props, 'document'))

const titles: Record<Schemas['HandworkKind'], string> = {
  'put-in': 'Put in',
  patch: 'Patch',
  connect: 'Connect',
  set: 'Set',
  draw: 'Draw',
}
const lines = computed(() => workLines(props.work))
const groups = computed(() =>
  Object.entries(titles)
    .map(([kind, title]) => ({ title, lines: lines.value.filter((l) => l.kind === kind) }))
    .filter((group) => group.lines.length > 0),
)
const done = computed(() => lines.value.filter((l) => ticked.value.has(l.id)).length)
</script>

<template>
  <section aria-label="By hand">
    <h2>
      By hand
      <small class="quiet">{{ work.length }} {{ work.length === 1 ? 'line' : 'lines' }}, {{ done }} done</small>
    </h2>
    <p v-if="work.length === 0" class="quiet">Nothing: the project file says all of it.</p>
    <div v-for="group in groups" :key="group.title" class="group">
      <h3>
        {{ group.title }} <small class="faint">{{ group.lines.length }}</small>
      </h3>
      <ul>
        <li v-for="line in group.lines" :key="line.id">
          <label :class="{ done: ticked.has(line.id) }">
            <input
              type="checkbox"
              :checked="ticked.has(line.id)"
              @change="tick([line.id], ($event.target as HTMLInputElement).checked)"
            />
            <span>{{ line.words }}</span>
          </label>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
h2 small,
h3 small {
  font: 400 12px/1 var(--sans);
  margin-left: 8px;
}

.group {
  margin-bottom: 12px;
}

ul {
  columns: 2 340px;
  column-gap: 28px;
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}

li {
  break-inside: avoid;
}

label {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px;
  align-items: baseline;
  padding: 2px 0;
}

.done {
  color: var(--text-3);
  text-decoration: line-through;
}
/* Columns would leave a heading alone at the foot of a page. */
@media print {
  ul {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 18px;
    columns: auto;
  }
}
</style>
