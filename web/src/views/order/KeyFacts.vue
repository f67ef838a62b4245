<script setup lang="ts">
import { computed } from 'vue'
import type { Insert } from '@/api/types'
import ValueField from '@/parts/ValueField.vue'
import { useDocument } from '@/state/document'

/** What a detector hears: its key or the channel itself, between two cuts. */
const props = defineProps<{ channel: string; insert: Insert }>()
const document = useDocument()
const cuts = [
  { id: 'lowCutHz', name: 'Low cut', start: 90 },
  { id: 'highCutHz', name: 'High cut', start: 6000 },
] as const

const key = computed(() => props.insert.key ?? { on: false, lowCutHz: null, highCutHz: null })
const feeders = computed(() =>
  document.ordered
    .filter((r) => r.channel.feeds.some((f) => f.channel === props.channel && f.insert === props.insert.id))
    .map((r) => r.channel.name),
)

function set(change: Partial<NonNullable<Insert['key']>>) {
  void document.edit(
    [{ type: 'set-key', channel: props.channel, insert: props.insert.id, key: { ...key.value, ...change } }],
    props.channel,
  )
}
</script>

<template>
  <div class="key">
    <label class="switch">
      <input type="checkbox" :checked="key.on" @change="set({ on: ($event.target as HTMLInputElement).checked })" />
      Listen to a key signal
    </label>
    <p v-if="key.on" class="quiet">
      {{
        feeders.length ? `Fed by ${feeders.join(', ')}` : 'Nothing feeds it yet: choose a channel and add a feed there.'
      }}
    </p>
    <label v-for="cut in cuts" :key="cut.id" class="switch">
      <input
        type="checkbox"
        :checked="key[cut.id] != null"
        @change="set({ [cut.id]: ($event.target as HTMLInputElement).checked ? cut.start : null })"
      />
      {{ cut.name }} on {{ key.on ? 'the key' : 'what it hears' }}
      <ValueField
        v-if="key[cut.id] != null"
        :label="`${cut.name} on ${key.on ? 'the key' : 'what it hears'}`"
        unit="Hz"
        :value="key[cut.id] ?? null"
        :min="20"
        :max="20000"
        :step="1"
        @change="set({ [cut.id]: $event })"
      />
    </label>
  </div>
</template>

<style scoped>
.key {
  border-top: 1px solid var(--line-soft);
  margin-top: 6px;
  padding-top: 6px;
}

p {
  margin: 3px 0;
}
</style>
