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
    .filter(
      (r) => ['instrument', 'trigger', 'notes'].includes(r.channel.kind) && !trigger.value.notes.includes(r.channel.id),
    )
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
</script>

<template>
  <div class="trigger">
    <AddMenu
      title="Restarted by"
      label="Add notes that restart it"
      :choices="choices"
      @add="(id) => set({ notes: [...trigger.notes, id] })"
    />
    <div v-for="id in trigger.notes" :key="id" class="line">
      <span>Notes of {{ document.rows.get(id)?.channel.name ?? id }}</span>
      <button
        type="button"
        class="plain bare"
        :aria-label="`${document.rows.get(id)?.channel.name} restarts it no more`"
        @click="set({ notes: trigger.notes.filter((n) => n !== id) })"
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
