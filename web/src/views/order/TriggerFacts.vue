<script setup lang="ts">
import { computed } from 'vue'
import type { Insert, NoteTrigger } from '@/api/types'
import AddMenu from '@/parts/AddMenu.vue'
import DrawnCurve from '@/parts/DrawnCurve.vue'
import Icon from '@/parts/Icon.vue'
import PieceChoice from '@/parts/PieceChoice.vue'
import ValueField from '@/parts/ValueField.vue'
import { useDocument } from '@/state/document'
import { piecesOf } from '@/state/playedPieces'

/** What restarts a ducker by notes, and the curve that it draws each time. */
const props = defineProps<{ channel: string; insert: Insert }>()
const document = useDocument()
const plain: NoteTrigger = {
  notes: [],
  numbers: [],
  everyQuarters: 1,
  curve: [
    { place: 0, value: 1 },
    { place: 0.1, value: 1 },
    { place: 1, value: 0 },
  ],
}

const trigger = computed(() => props.insert.trigger ?? plain)
const numbers = computed(() => trigger.value.numbers ?? [])
const choices = computed(() =>
  document.ordered
    .filter((r) => document.can(r).givesNotes && !trigger.value.notes.includes(r.channel.id))
    .map((r) => ({ value: r.channel.id, text: r.channel.name })),
)

function set(change: (now: NoteTrigger) => Partial<NoteTrigger>) {
  const [channel, id] = [props.channel, props.insert.id]
  void document.edit(() => {
    const insert = document.rows.get(channel)?.channel.inserts.find((i) => i.id === id)
    const now = insert?.trigger ?? plain
    return [{ type: 'set-trigger', channel, insert: id, trigger: { ...now, ...change(now) } }]
  }, channel)
}

/** Whoever names notes means these in place of the beat; both can be had by ticking the beat again. */
function restartBy(id: string) {
  set(({ notes, everyQuarters }) => ({
    notes: [...notes, id],
    everyQuarters: notes.length === 0 ? null : everyQuarters,
  }))
}

function leaveOut(id: string) {
  set((now) => {
    const notes = now.notes.filter((n) => n !== id)
    return {
      notes,
      numbers: notes.length === 0 ? [] : now.numbers,
      everyQuarters: now.everyQuarters ?? (notes.length === 0 ? 1 : null),
    }
  })
}

const pieces = computed(() => {
  const all = trigger.value.notes.flatMap((id) => piecesOf(document.rows.get(id)))
  return all.filter((p, i) => all.findIndex((q) => q.note === p.note) === i)
})
</script>

<template>
  <div class="trigger">
    <AddMenu title="Restarted by" label="Add notes that restart it" :choices="choices" @add="restartBy" />
    <div v-for="id in trigger.notes" :key="id" class="line">
      <span>Notes of {{ document.rows.get(id)?.channel.name ?? id }}</span>
      <button
        type="button"
        class="plain bare"
        :aria-label="`${document.rows.get(id)?.channel.name} restarts it no more`"
        @click="leaveOut(id)"
      >
        <Icon name="close" :size="13" />
      </button>
    </div>
    <div v-if="trigger.notes.length" class="which">
      <span class="quiet">{{ numbers.length ? 'by these alone' : 'by all of them, or choose' }}</span>
      <PieceChoice
        label="Notes that restart it"
        :pieces="pieces"
        :numbers="numbers"
        @change="(chosen) => set(() => ({ numbers: chosen }))"
      />
    </div>
    <label class="switch">
      <input
        type="checkbox"
        :checked="trigger.everyQuarters !== null"
        @change="set(() => ({ everyQuarters: ($event.target as HTMLInputElement).checked ? 1 : null }))"
      />
      Every
      <ValueField
        v-if="trigger.everyQuarters !== null"
        label="Restarted every"
        unit="quarter notes"
        counts="quarters"
        :value="trigger.everyQuarters"
        :min="0.0625"
        :max="64"
        :step="0.25"
        @change="set(() => ({ everyQuarters: $event }))"
      />
    </label>
    <DrawnCurve
      label="Curve of the ducker"
      :points="trigger.curve"
      top="rest"
      bottom="all the way down"
      from="restart"
      to="its length"
      @change="(curve) => set(() => ({ curve }))"
    />
  </div>
</template>

<style scoped>
.trigger {
  border-top: 1px solid var(--line-soft);
  margin-top: 6px;
  padding-top: 6px;
}

.line {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
</style>
