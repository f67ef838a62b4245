<script setup lang="ts">
import { computed } from 'vue'
import type { Kit, LineRow, Part } from '@/api/types'
import { numberText } from '@/parts/decibels'
import { useDocument } from '@/state/document'

/** One piece: what plays it, where it stands in the tree, what it shall do, and where it arrived when it was fired. */
const props = defineProps<{ channel: string; piece: Part; kit: Kit; row?: LineRow; second: boolean }>()
defineEmits<{ show: [channel: string] }>()
const document = useDocument()

const output = computed(() => props.kit.outputs[props.piece.microphone.output - 1])
const stays = [
  { id: 'by-plan', name: 'By the plan' },
  { id: 'alone', name: 'Alone' },
  { id: 'on-first', name: 'With the rest' },
] as const

function put(stay: Part['microphone']['stay'], importance: number) {
  const edit = {
    type: 'set-piece-place',
    channel: props.channel,
    piece: props.piece.name,
    stay: stay!,
    importance,
  } as const
  void document.edit([edit], props.channel)
}
</script>

<template>
  <section :class="{ second }">
    <h2>{{ piece.name }}</h2>
    <dl>
      <template v-if="piece.note !== null">
        <dt>Note</dt>
        <dd>{{ piece.note }}</dd>
      </template>
      <dt>Family</dt>
      <dd>{{ piece.family.replaceAll('/', ' › ') }}</dd>
      <dt>Leaves by</dt>
      <dd>{{ output?.name }}</dd>
      <dt>Place</dt>
      <dd>
        <div class="choice" role="group" aria-label="Place">
          <button
            v-for="stay in stays"
            :key="stay.id"
            type="button"
            class="plain"
            :class="{ on: (piece.microphone.stay ?? 'by-plan') === stay.id }"
            :aria-pressed="(piece.microphone.stay ?? 'by-plan') === stay.id"
            @click="put(stay.id, piece.microphone.importance ?? 1)"
          >
            {{ stay.name }}
          </button>
        </div>
      </dd>
      <dt><label for="importance">Importance</label></dt>
      <dd>
        <input
          id="importance"
          class="field"
          type="number"
          min="1"
          max="9"
          :value="piece.microphone.importance ?? 1"
          title="1 to 9: how much it matters that it is kept apart"
          @keydown.stop
          @change="put(piece.microphone.stay, Number(($event.target as HTMLInputElement).value))"
        />
        <span class="faint"> of 9</span>
      </dd>
    </dl>
    <template v-if="row">
      <h3>Where it arrives</h3>
      <p v-for="place in row.places" :key="place.channel" class="place" :class="{ stray: !place.expected }">
        <button type="button" class="plain bare" @click="$emit('show', place.channel)">
          {{ document.rows.get(place.channel)?.channel.name ?? place.channel }}
        </button>
        <span>{{ numberText(place.peakDbfs, 1) }} dBFS</span>
      </p>
      <p v-if="row.places.length === 0" class="stray">Nowhere.</p>
    </template>
  </section>
</template>

<style scoped>
.second {
  border-top: 1px solid var(--line-soft);
  margin-top: 12px;
  padding-top: 10px;
}

h2 {
  font-size: 20px;
  margin-bottom: 6px;
}

.second h2 {
  font-size: 16px;
}

h3 {
  font-size: 14px;
  margin: 10px 0 2px;
}

dl {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 5px 8px;
  align-items: center;
  margin: 0;
}

dt {
  color: var(--text-2);
}

dd {
  margin: 0;
}

.choice {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}

.choice .plain {
  padding: 3px 8px;
}

.choice .on {
  color: var(--lamp);
  border-color: color-mix(in srgb, var(--lamp) 45%, transparent);
}

input {
  width: 56px;
}

.place {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  margin: 0;
}

.place .plain {
  margin-left: -6px;
}

.stray {
  color: var(--blocker);
}
</style>
