<script setup lang="ts">
import { computed, ref } from 'vue'
import PieceLine from './PieceLine.vue'
import PieceMany from './PieceMany.vue'
import type { Kit, OutputLine, Part } from '@/api/types'

/** The pieces as a table: what the bands show, with everything that can be said of each, and of many at once. */
const props = defineProps<{
  channel: string
  kit: Kit
  pieces: { index: number; piece: Part }[]
  outputs: OutputLine[]
  chosen?: number
}>()
const emit = defineEmits<{ choose: [index: number]; fire: [note: number] }>()
const ticked = ref<Set<string>>(new Set())

// What is gone or renamed is not ticked any more.
const names = computed(() => new Set(props.pieces.map(({ piece }) => piece.name)))
const many = computed(() => [...ticked.value].filter((name) => names.value.has(name)))
const all = computed(() => many.value.length === props.pieces.length && many.value.length > 0)

function turn(name: string) {
  const next = new Set(many.value)
  if (!next.delete(name)) next.add(name)
  ticked.value = next
}
</script>

<template>
  <div class="table" role="region" aria-label="Pieces as a table" tabindex="0">
    <PieceMany
      v-if="many.length"
      :channel="channel"
      :kit="kit"
      :lines="pieces.filter(({ piece }) => many.includes(piece.name)).map(({ piece }) => piece)"
      :outputs="outputs"
      @done="ticked = new Set()"
    />
    <table>
      <thead>
        <tr>
          <th>
            <input
              type="checkbox"
              aria-label="All pieces"
              :checked="all"
              @change="ticked = all ? new Set() : new Set(names)"
            />
          </th>
          <th>Name</th>
          <th class="right">Note</th>
          <th>Family</th>
          <th>Width</th>
          <th class="right">Pan</th>
          <th class="right">Matters</th>
          <th>Plan</th>
          <th>Leaves by</th>
        </tr>
      </thead>
      <tbody>
        <PieceLine
          v-for="{ index, piece } in pieces"
          :key="piece.name"
          :channel="channel"
          :kit="kit"
          :piece="piece"
          :outputs="outputs"
          :on="index === chosen"
          :ticked="many.includes(piece.name)"
          @tick="turn(piece.name)"
          @choose="emit('choose', index)"
          @fire="piece.note !== null && emit('fire', piece.note)"
        />
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.table {
  flex: 1;
  min-height: 0;
  overflow: auto;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th {
  position: sticky;
  top: 0;
  z-index: 1;
  padding: 3px 8px 3px 0;
  background: var(--ground);
  text-align: left;
  font-weight: 400;
  color: var(--text-2);
}

th.right {
  padding-right: 14px;
  text-align: right;
}
</style>
