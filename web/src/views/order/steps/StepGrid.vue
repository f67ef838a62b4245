<script setup lang="ts">
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue'
import { noteOn, struck, takenOff, type Stroke } from './grid'
import type { Note } from '@/api/types'

/** Rows of pieces or notes over steps: pressed, drawn over or set by keys. */
const props = defineProps<{
  rows: readonly { note: number; name: string }[]
  notes: readonly Note[]
  stepTicks: number
  beatTicks: number
  barTicks: number
  lengthTicks: number
  stroke: Stroke
}>()
const emit = defineEmits<{ change: [notes: Note[]]; row: [note: number] }>()
const table = useTemplateRef('table')
const at = ref({ row: 0, step: 0 })
/** What is drawn while the pointer is down: notes, or none. */
const drawing = ref<boolean>()
const loudest = 127
const stepOfVelocity = 10

const steps = computed(() => Math.max(1, Math.floor(props.lengthTicks / props.stepTicks)))
const tickOf = (step: number) => step * props.stepTicks
const cell = (row: number, step: number) => noteOn(props.notes, tickOf(step), props.rows[row]!.note)

function put(row: number, step: number, on: boolean) {
  const { note } = props.rows[row]!
  if (on === Boolean(cell(row, step))) return
  const change = on
    ? struck(props.notes, tickOf(step), note, props.stepTicks, props.stroke)
    : takenOff(props.notes, tickOf(step), note)
  emit('change', change)
}

const takeFocus = () => table.value?.querySelector<HTMLElement>('[tabindex="0"]')?.focus()

// The rows may come after the dialog has looked for what takes the keys; who types already goes on.
onMounted(() => document.activeElement instanceof HTMLInputElement || takeFocus())

function stand(row: number, step: number) {
  at.value = { row, step }
  emit('row', props.rows[row]!.note)
  void nextTick(takeFocus)
}

function begin(row: number, step: number) {
  drawing.value = !cell(row, step)
  stand(row, step)
  put(row, step, drawing.value)
}

function louder(by: number) {
  const { row, step } = at.value
  const note = cell(row, step)
  if (!note) return
  const velocity = Math.min(loudest, Math.max(1, note.velocity + by))
  emit(
    'change',
    props.notes.map((n) => (n === note ? { ...n, velocity } : n)),
  )
}

function onKey(event: KeyboardEvent) {
  const { row, step } = at.value
  const moves: Record<string, [number, number]> = {
    ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0],
    Home: [0, -step], End: [0, steps.value],
  } // prettier-ignore
  const move = moves[event.key]
  if (move) {
    const next = (value: number, by: number, count: number) => Math.min(count - 1, Math.max(0, value + by))
    stand(next(row, move[0], props.rows.length), next(step, move[1], steps.value))
  } else if (event.key === ' ' || event.key === 'Enter') put(row, step, !cell(row, step))
  else if (event.key === '+' || event.key === '-') louder(event.key === '+' ? stepOfVelocity : -stepOfVelocity)
  else return
  event.preventDefault()
  event.stopPropagation()
}
/** Few steps do not become bars. */
const widestPixels = 46
</script>

<template>
  <div class="scroll" @pointerup="drawing = undefined" @pointerleave="drawing = undefined">
    <table
      ref="table"
      role="grid"
      aria-label="Steps"
      :style="{ maxWidth: `${150 + steps * widestPixels}px` }"
      @keydown="onKey"
    >
      <tbody>
        <tr v-for="(r, y) in rows" :key="r.note">
          <th scope="row" :class="{ here: y === at.row }">{{ r.name }}</th>
          <td
            v-for="x in steps"
            :key="x"
            role="gridcell"
            :tabindex="y === at.row && x - 1 === at.step ? 0 : -1"
            :autofocus="y === at.row && x - 1 === at.step"
            :aria-label="`${r.name}, step ${x}${cell(y, x - 1) ? `, velocity ${cell(y, x - 1)!.velocity}` : ', a rest'}`"
            :aria-selected="Boolean(cell(y, x - 1))"
            :class="{ beat: tickOf(x - 1) % beatTicks === 0, bar: x > 1 && tickOf(x - 1) % barTicks === 0 }"
            @pointerdown.prevent="begin(y, x - 1)"
            @pointerenter="drawing !== undefined && put(y, x - 1, drawing)"
          >
            <i v-if="cell(y, x - 1)" :style="{ height: `${(cell(y, x - 1)!.velocity / loudest) * 100}%` }"></i>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  max-height: 46vh;
  overflow: auto;
}

table {
  width: 100%;
  border-collapse: separate;
  border-spacing: 2px;
  touch-action: none;
}

th {
  position: sticky;
  left: 0;
  background: var(--raised, var(--panel));
  width: 1%;
  text-align: left;
  font-weight: 400;
  color: var(--text-2);
  white-space: nowrap;
  padding-right: 10px;
  max-width: 150px;
  overflow: hidden;
  text-overflow: ellipsis;
}

.here {
  color: var(--text);
}

td {
  min-width: 20px;
  height: 24px;
  padding: 0;
  vertical-align: bottom;
  background: var(--line-soft);
  border-radius: 3px;
  cursor: pointer;
}

.beat {
  background: var(--line);
}

.bar {
  box-shadow: -3px 0 0 -1px var(--text-2);
}

td:focus-visible {
  outline: 2px solid var(--lamp);
}

i {
  display: block;
  background: var(--lamp-ground);
  border-radius: 3px;
}
</style>
