<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Channel } from '@/api/types'
import { useInsertChoices } from '@/devices/useInsertChoices'
import Picker from '@/parts/Picker.vue'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'
import { useTurns } from '@/state/useTurns'
import { useTakeOut } from '@/state/useTakeOut'

/** The strip as a row of its inserts: chosen by a press, moved by dragging or by Alt and the arrows, switched by p. */
const props = defineProps<{ channel: Channel }>()
const chosen = defineModel<string | undefined>('chosen', { required: true })
const document = useDocument()
const turns = useTurns()
const takeOut = useTakeOut()
const catalogue = useCatalogue()
const choices = useInsertChoices()
const dragged = ref<number>()

const idle = computed(() => document.rows.get(props.channel.id)?.idle ?? [])
const chips = computed(() =>
  props.channel.inserts.map((insert) => ({
    insert,
    name: insert.device?.name ?? catalogue.processors.get(insert.processor)?.name ?? insert.processor,
    among: [
      insert.key?.on ? 'keyed' : undefined,
      props.channel.chains.find((c) => c.inserts.includes(insert.id))?.name,
    ],
    standing: insert.off
      ? 'off'
      : idle.value.includes(insert.id)
        ? 'waits'
        : insert.parkedIn.includes(document.act)
          ? 'parked'
          : insert.keptForAutomation
            ? 'for automation'
            : 'live',
  })),
)

const isOut = (standing: string) => ['off', 'waits', 'parked'].includes(standing)

function move(from: number, to: number) {
  const insert = props.channel.inserts[from]
  if (!insert || to < 0 || to >= props.channel.inserts.length || from === to) return
  void document.edit(
    [{ type: 'move-insert', channel: props.channel.id, insert: insert.id, place: to }],
    props.channel.id,
  )
}

function park(index: number) {
  void turns.park(props.channel.id, [props.channel.inserts[index]!.id], document.act)
}

function press(index: number, event: KeyboardEvent) {
  if (event.altKey && event.key === 'ArrowLeft') move(index, index - 1)
  else if (event.altKey && event.key === 'ArrowRight') move(index, index + 1)
  else if (event.key === 'ArrowLeft') chosen.value = props.channel.inserts[index - 1]?.id ?? chosen.value
  else if (event.key === 'ArrowRight') chosen.value = props.channel.inserts[index + 1]?.id ?? chosen.value
  else if (event.key === 'p') park(index)
  else if (event.key === 'Delete') void takeOut(props.channel.id, [props.channel.inserts[index]!.id])
  else return
  event.preventDefault()
  event.stopPropagation()
}

function drop(to: number) {
  if (dragged.value !== undefined) move(dragged.value, to)
  dragged.value = undefined
}

async function add(choice: string) {
  const known = new Set(props.channel.inserts.map((i) => i.id))
  if (!(await document.edit([choices.making(props.channel.id, choice)], props.channel.id))) return
  chosen.value = document.rows.get(props.channel.id)?.channel.inserts.find((i) => !known.has(i.id))?.id
}
</script>

<template>
  <div class="row">
    <div class="chips" role="listbox" aria-label="Inserts in order" aria-orientation="horizontal">
      <button
        v-for="(chip, i) in chips"
        :key="chip.insert.id"
        type="button"
        class="chip"
        role="option"
        draggable="true"
        :class="{ chosen: chip.insert.id === chosen, off: isOut(chip.standing) }"
        :aria-selected="chip.insert.id === chosen"
        title="Drag to move; Alt and the arrows move it, p switches it in this act, Delete takes it out"
        @click="chosen = chip.insert.id"
        @keydown="press(i, $event)"
        @dragstart="dragged = i"
        @dragover.prevent
        @drop.prevent="drop(i)"
      >
        <b>{{ chip.name }}</b>
        <small :class="isOut(chip.standing) ? 'plum' : 'quiet'">{{
          [chip.standing, ...chip.among].filter(Boolean).join(', ')
        }}</small>
      </button>
    </div>
    <Picker class="add" label="Add a processor" :choices="choices.all.value" :value="null" empty="Add…" @choose="add" />
  </div>
</template>

<style scoped>
.row,
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: stretch;
}

.chip {
  display: grid;
  text-align: left;
  gap: 1px;
  padding: 6px 12px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: none;
  cursor: grab;
}

.chip b {
  font-weight: 500;
}

.chip.chosen {
  border-color: var(--lamp);
}

.chip.chosen b {
  color: var(--lamp);
}

.chip.off b {
  text-decoration: line-through;
  text-decoration-color: var(--plum);
}

.plum {
  color: var(--plum);
}

.add {
  align-self: center;
}
</style>
