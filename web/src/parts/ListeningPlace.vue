<script setup lang="ts">
import { computed } from 'vue'
import type { ListeningPoint } from '@/api/types'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'

/** What is listened to: a channel, and where on it. */
const document = useDocument()
const listening = useListening()
const catalogue = useCatalogue()

const channels = computed(() =>
  document.ordered.filter((row) => document.can(row).sounds && !document.can(row).standsOnce),
)
const chosen = computed(() => (listening.point ? document.rows.get(listening.point)?.channel : undefined))
const places = computed(() => {
  const can = chosen.value ? catalogue.can(chosen.value.kind) : {}
  const isReturn = can.takesSends && !can.sums
  const plain: { value: string; text: string }[] = [
    { value: 'after-fader', text: isReturn ? 'what comes out of it' : 'after the fader' },
    { value: 'before-fader', text: 'before the fader' },
    { value: 'feeding', text: 'what feeds it' },
  ]
  const keys = (chosen.value?.inserts ?? [])
    .filter((i) => catalogue.processors.get(i.processor)?.hasKey && i.key?.on)
    .map((i) => ({
      value: `key ${i.id}`,
      text: `key of its ${catalogue.processors.get(i.processor)?.name.toLowerCase()}`,
    }))
  return [...plain, ...keys]
})
const place = computed(() => (listening.where === 'key' ? `key ${listening.insert}` : listening.where))

function setPlace(value: string) {
  const [word, insert] = value.split(' ')
  listening.listenTo(listening.point, word as ListeningPoint, insert ?? null)
}

const valueOf = (event: Event) => (event.target as HTMLSelectElement).value
</script>

<template>
  <div class="pick">
    <div class="head">
      <span class="label">Listening to</span>
      <label class="follow" title="Listen to whatever channel is selected">
        <input v-model="listening.follows" type="checkbox" /> the selected
      </label>
    </div>
    <select
      aria-label="Listening to"
      :value="listening.point ?? ''"
      @change="listening.listenTo(valueOf($event) || null)"
    >
      <option value="">Main</option>
      <option v-for="row in channels" :key="row.channel.id" :value="row.channel.id">{{ row.channel.name }}</option>
    </select>
    <select v-if="chosen" class="place" aria-label="Where on it" :value="place" @change="setPlace(valueOf($event))">
      <option v-for="p in places" :key="p.value" :value="p.value">{{ p.text }}</option>
    </select>
  </div>
</template>

<style scoped>
.pick {
  display: grid;
  flex: none;
  width: 172px;
}

.head {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}

.label,
.follow {
  white-space: nowrap;
  font-size: 11px;
  color: var(--text-3);
}

select {
  appearance: none;
  border: 0;
  background:
    linear-gradient(45deg, transparent 50%, currentcolor 50%) right 6px center / 5px 5px no-repeat,
    linear-gradient(-45deg, transparent 50%, currentcolor 50%) right 1px center / 5px 5px no-repeat;
  font-weight: 600;
  padding: 0 16px 0 0;
  min-width: 0;
  max-width: 100%;
  text-overflow: ellipsis;
  cursor: pointer;
}

.place {
  font-weight: 400;
  font-size: 12px;
  color: var(--text-2);
  justify-self: start;
}

.follow {
  display: flex;
  align-items: center;
  gap: 4px;
}

.follow input {
  accent-color: var(--lamp-ground);
  margin: 0;
}

option {
  background: var(--raised);
  color: var(--text);
}
</style>
