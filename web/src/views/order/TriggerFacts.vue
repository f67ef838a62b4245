<script setup lang="ts">
import { computed } from 'vue'
import type { Insert, NoteTrigger } from '@/api/types'
import AddMenu from '@/parts/AddMenu.vue'
import DrawnCurve from '@/parts/DrawnCurve.vue'
import Icon from '@/parts/Icon.vue'
import ValueField from '@/parts/ValueField.vue'
import { useDocument } from '@/state/document'

/** What restarts a ducker by notes, and the curve that it draws each time. */
const props = defineProps<{ channel: string; insert: Insert }>()
const document = useDocument()
const plain: NoteTrigger = {
  notes: [],
  everyQuarters: 1,
  curve: [
    { place: 0, value: 1 },
    { place: 0.1, value: 1 },
    { place: 1, value: 0 },
  ],
}

const trigger = computed(() => props.insert.trigger ?? plain)
const choices = computed(() =>
  document.ordered
    .filter((r) => document.can(r).givesNotes && !trigger.value.notes.includes(r.channel.id))
    .map((r) => ({ value: r.channel.id, text: r.channel.name })),
)

function set(change: Partial<NoteTrigger>) {
  void document.edit(
    [
      {
        type: 'set-trigger',
        channel: props.channel,
        insert: props.insert.id,
        trigger: { ...trigger.value, ...change },
      },
    ],
    props.channel,
  )
}

/** Whoever names notes means these in place of the beat; both can be had by ticking the beat again. */
function restartBy(id: string) {
  const everyQuarters = trigger.value.notes.length === 0 ? null : trigger.value.everyQuarters
  set({ notes: [...trigger.value.notes, id], everyQuarters })
}

function leaveOut(id: string) {
  const notes = trigger.value.notes.filter((n) => n !== id)
  set({ notes, everyQuarters: trigger.value.everyQuarters ?? (notes.length === 0 ? 1 : null) })
}
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
    <label class="switch">
      <input
        type="checkbox"
        :checked="trigger.everyQuarters !== null"
        @change="set({ everyQuarters: ($event.target as HTMLInputElement).checked ? 1 : null })"
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
        @change="set({ everyQuarters: $event })"
      />
    </label>
    <DrawnCurve
      label="Curve of the ducker"
      :points="trigger.curve"
      top="rest"
      bottom="all the way down"
      from="restart"
      to="its length"
      @change="(curve) => set({ curve })"
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
