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

type Played = Pick<Channel, 'plays' | 'midiOut'>
function set(part: (now: Played) => Partial<Played>) {
  const { id } = props.channel
  void document.edit(() => {
    const now = document.rows.get(id)?.channel ?? props.channel
    return [{ type: 'set-plays', channel: id, plays: now.plays, midiOut: now.midiOut, ...part(now) }]
  }, id)
}

function add(id: string) {
  set(({ plays }) =>
    id === outside ? { midiOut: { device: 'MIDI device', midiChannel: 1 } } : { plays: [...plays, id] },
  )
}

function send(part: Partial<NonNullable<Played['midiOut']>>) {
  set(({ midiOut }) => ({ midiOut: midiOut && { ...midiOut, ...part } }))
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
        @click="set(({ plays }) => ({ plays: plays.filter((p) => p !== id) }))"
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
        @change="send({ device: ($event.target as HTMLInputElement).value.trim() })"
      />
      <span class="quiet">channel</span>
      <ValueField
        label="MIDI channel outside"
        :value="channel.midiOut.midiChannel"
        :min="1"
        :max="16"
        :step="1"
        @change="send({ midiChannel: $event ?? 1 })"
      />
      <button type="button" class="plain bare" aria-label="Nothing outside" @click="set(() => ({ midiOut: null }))">
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
