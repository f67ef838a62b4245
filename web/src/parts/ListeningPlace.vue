<script setup lang="ts">
import { computed } from 'vue'
import Picker from './Picker.vue'
import type { Insert, ListeningPoint } from '@/api/types'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'

/** What is listened to: a channel, and where on it. */
const document = useDocument()
const listening = useListening()
const catalogue = useCatalogue()

const channels = computed(() =>
  document.ordered
    .filter((row) => document.can(row).sounds)
    .map((row) => ({ value: row.channel.id, text: row.channel.name })),
)
/** What is listened to where nothing else is asked for. */
const main = computed(() => document.ordered.find((row) => document.can(row).standsOnce)?.channel.id ?? null)
const chosen = computed(() => (listening.point ? document.rows.get(listening.point)?.channel : undefined))
const places = computed(() => {
  const can = chosen.value ? catalogue.can(chosen.value.kind) : {}
  const isReturn = can.takesSends && !can.sums
  const plain: { value: string; text: string }[] = [
    { value: 'after-fader', text: isReturn ? 'what comes out of it' : 'after the fader' },
    { value: 'before-fader', text: 'before the fader' },
    { value: 'feeding', text: 'what feeds it' },
  ]
  const nameOf = (i: Insert) => i.device?.name ?? catalogue.processors.get(i.processor)?.name.toLowerCase()
  const keys = (chosen.value?.inserts ?? [])
    .filter((i) => catalogue.processors.get(i.processor)?.hasKey && i.key?.on)
    .map((i) => ({ value: `key ${i.id}`, text: `key of its ${nameOf(i)}` }))
  // What is asked for on the strip is named here; there are too many to list.
  const at = chosen.value?.inserts.find((i) => i.id === listening.insert)
  const words: Partial<Record<ListeningPoint, string>> = {
    'before-insert': 'before its',
    'after-insert': 'after its',
    'taken-off': 'taken off by its',
    detector: 'detector of its',
  }
  const said = words[listening.where]
  const within = at && said ? [{ value: `${listening.where} ${at.id}`, text: `${said} ${nameOf(at)}` }] : []
  return [...plain, ...keys, ...within]
})
const place = computed(() => (listening.insert ? `${listening.where} ${listening.insert}` : listening.where))

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
    <Picker
      class="listened"
      label="Listening to"
      :choices="channels"
      :value="listening.point ?? main"
      @choose="listening.listenTo($event === main ? null : $event)"
    />
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

.field.picker.listened {
  border: 0;
  background-color: transparent;
  font-weight: 600;
  padding: 0 16px 0 0;
  background-position:
    right 6px center,
    right 1px center;
}

.listened :deep(.p-select-label) {
  padding: 0;
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
  margin: 0;
}

option {
  background: var(--raised);
  color: var(--text);
}
</style>
