<script setup lang="ts">
import { computed } from 'vue'
import type { ChannelRow, Kit, OutputsView } from '@/api/types'

/** Which instrument, what it has, and what can be done with all of it. */
const props = defineProps<{
  kits: ChannelRow[]
  channel: string
  kit: Kit
  view: OutputsView
  running: boolean
  fired: number
  sources: number
}>()
defineEmits<{
  choose: [channel: string]
  swap: []
  fire: []
  check: []
  make: []
  shelf: []
  use: [first: boolean, halves: boolean]
}>()
const halves = computed(() => props.kit.jacks === 'halves')

const about = computed(() => {
  const pieces = `${props.view.parts.length} sources`
  const outputs = `${props.view.outputs} ${props.view.inPairs ? 'pairs' : 'jacks'}`
  return `${pieces} · ${outputs}`
})
</script>

<template>
  <div class="head">
    <select
      v-if="kits.length > 1"
      class="field"
      aria-label="Instrument"
      :value="channel"
      @change="$emit('choose', ($event.target as HTMLSelectElement).value)"
    >
      <option v-for="row in kits" :key="row.channel.id" :value="row.channel.id">{{ row.channel.name }}</option>
    </select>
    <h2 v-else :title="kits[0]?.channel.name">{{ kits[0]?.channel.name }}</h2>
    <span class="quiet about" :title="about">{{ about }}</span>
    <span class="deeds">
      <button type="button" class="plain" @click="$emit('make')">New machine…</button>
      <button type="button" class="plain" @click="$emit('shelf')">Shelf…</button>
      <button type="button" class="plain" @click="$emit('swap')">Swap the kit…</button>
      <button type="button" class="plain" @click="$emit('check')">Line check</button>
      <button type="button" class="plain" @click="$emit('fire')">
        {{ running ? `Stop, ${fired} of ${sources}` : 'Fire all' }}
      </button>
    </span>
    <span class="options">
      <label v-if="view.inPairs" class="halves" title="Pieces in mono take half a pair: odd left, even right">
        <input
          type="checkbox"
          :checked="halves"
          @change="$emit('use', kit.firstReserved, ($event.target as HTMLInputElement).checked)"
        />
        Mono shares a pair
      </label>
      <label class="halves" title="Otherwise the first output is used by a plan as well">
        <input
          type="checkbox"
          :checked="kit.firstReserved"
          @change="$emit('use', ($event.target as HTMLInputElement).checked, halves)"
        />
        First for the rest
      </label>
    </span>
  </div>
</template>

<style scoped>
.head,
.deeds,
.options {
  display: flex;
  align-items: center;
  gap: 6px 8px;
}

/* Where a name takes the room, what is said of the plans goes down to their slider. */
.head {
  flex-wrap: wrap;
}

.options {
  gap: 6px 16px;
}

h2 {
  min-width: 5em;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 20px;
}

.about {
  flex: 1 1 0;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.halves,
.deeds .plain {
  white-space: nowrap;
}

.halves {
  display: flex;
  align-items: center;
  gap: 6px;
  color: var(--text-2);
}

@media (max-width: 900px) {
  .deeds {
    flex-wrap: wrap;
  }
}
</style>
