<script setup lang="ts">
import { computed } from 'vue'
import type { Channel } from '@/api/types'
import AddMenu from '@/parts/AddMenu.vue'
import Icon from '@/parts/Icon.vue'
import ValueField from '@/parts/ValueField.vue'
import { useDocument } from '@/state/document'

/** What a notes channel plays: instruments here, a device outside. */
const props = defineProps<{ channel: Channel }>()
const document = useDocument()
const outside = '(outside)'
const choices = computed(() => [
  ...document.ordered
    .filter((r) => document.can(r).isPlayed && !props.channel.plays.includes(r.channel.id))
    .map((r) => ({ value: r.channel.id, text: r.channel.name })),
  ...(props.channel.midiOut ? [] : [{ value: outside, text: 'a MIDI device outside' }]),
])

function set(plays: string[], midiOut = props.channel.midiOut) {
  void document.edit([{ type: 'set-plays', channel: props.channel.id, plays, midiOut }], props.channel.id)
}

function add(id: string) {
  if (id === outside) set(props.channel.plays, { device: 'MIDI device', midiChannel: 1 })
  else set([...props.channel.plays, id])
}
</script>

<template>
  <section>
    <AddMenu title="Plays" label="Add what it plays" :choices="choices" @add="add" />
    <div v-for="id in channel.plays" :key="id" class="line">
      <span>{{ document.rows.get(id)?.channel.name }}</span>
      <button
        type="button"
        class="plain bare"
        :aria-label="`Play ${document.rows.get(id)?.channel.name} no more`"
        @click="set(channel.plays.filter((p) => p !== id))"
      >
        <Icon name="close" :size="13" />
      </button>
    </div>
    <div v-if="channel.midiOut" class="line">
      <input
        class="field"
        maxlength="80"
        aria-label="MIDI device outside"
        :value="channel.midiOut.device"
        @keydown.stop
        @change="set(channel.plays, { ...channel.midiOut, device: ($event.target as HTMLInputElement).value.trim() })"
      />
      <span class="quiet">channel</span>
      <ValueField
        label="MIDI channel outside"
        :value="channel.midiOut.midiChannel"
        :min="1"
        :max="16"
        :step="1"
        @change="set(channel.plays, { ...channel.midiOut, midiChannel: $event ?? 1 })"
      />
      <button type="button" class="plain bare" aria-label="Nothing outside" @click="set(channel.plays, null)">
        <Icon name="close" :size="13" />
      </button>
    </div>
    <p v-if="channel.plays.length === 0 && !channel.midiOut" class="faint">Its notes go nowhere yet.</p>
  </section>
</template>

<style scoped>
.line {
  display: flex;
  align-items: center;
  gap: 8px;
}

.line > :first-child {
  flex: 1;
  min-width: 0;
}

p {
  margin: 2px 0 0;
}
</style>
