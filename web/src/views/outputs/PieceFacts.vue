<script setup lang="ts">
import { computed } from 'vue'
import PieceMicrophone from './PieceMicrophone.vue'
import { voiceName, voices } from './voices'
import { usePieceEdits } from './usePieceEdits'
import type { Kit, LineRow, OutputLine, Part } from '@/api/types'
import { numberText } from '@/parts/decibels'
import TextField from '@/parts/TextField.vue'
import ValueField from '@/parts/ValueField.vue'
import { useDocument } from '@/state/document'
import { usePads } from '@/state/pads'

/** One piece: what plays it, where it stands, what it shall do, and where it arrived when it was fired. */
const props = defineProps<{
  channel: string
  piece: Part
  kit: Kit
  outputs: OutputLine[]
  row?: LineRow
  second: boolean
}>()
defineEmits<{ show: [channel: string] }>()
const document = useDocument()
const pads = usePads()
const edits = usePieceEdits(props)

const families = computed(() => [
  ...new Set([...props.kit.pieces.map((p) => p.family), ...(props.kit.far ?? []).map((f) => f.family)]),
])

function text(event: Event) {
  return (event.target as HTMLInputElement).value.trim()
}

async function rename(name: string) {
  if (name && name !== (edits.piece.value?.name ?? props.piece.name)) await edits.rename(name)
}
</script>

<template>
  <section :class="{ second }">
    <h2>{{ piece.name }}</h2>
    <dl class="facts" @keydown.stop>
      <dt><label for="piece-name">Name</label></dt>
      <dd>
        <TextField id="piece-name" maxlength="80" :value="edits.piece.value?.name ?? piece.name" @change="rename" />
      </dd>
      <template v-if="edits.piece.value">
        <dt>Note</dt>
        <dd class="note">
          <ValueField
            label="Note"
            :value="edits.piece.value.note"
            :min="0"
            :max="127"
            :step="1"
            form="note"
            @change="$event !== null && edits.put({ note: $event })"
          />
          <button
            type="button"
            class="plain bare"
            title="Takes the next key or pad that is pressed, here or by MIDI"
            :aria-pressed="pads.catching !== undefined"
            @click="pads.catchNext((note) => edits.put({ note }))"
          >
            press it
          </button>
        </dd>
        <dt><label for="piece-voice">Voice</label></dt>
        <dd>
          <select
            id="piece-voice"
            class="field"
            :value="edits.piece.value.sound"
            @change="edits.put({ sound: text($event) as never })"
          >
            <option v-for="voice in voices" :key="voice" :value="voice">{{ voiceName(voice) }}</option>
          </select>
        </dd>
      </template>
      <dt><label for="piece-family">Family</label></dt>
      <dd>
        <TextField
          id="piece-family"
          maxlength="80"
          list="piece-families"
          :value="edits.piece.value?.family ?? piece.family"
          title="From the general to the particular, parted by slashes: drums/toms"
          @change="edits.putFamily"
        />
        <datalist id="piece-families">
          <option v-for="family in families" :key="family" :value="family" />
        </datalist>
      </dd>
      <PieceMicrophone :channel="channel" :piece="piece" :kit="kit" :outputs="outputs" />
    </dl>
    <p class="ways">
      <button v-if="edits.piece.value" type="button" class="plain bare" @click="edits.addMicrophone">
        Another microphone
      </button>
      <button
        v-if="(edits.piece.value?.microphones.length ?? 0) > 1"
        type="button"
        class="plain bare"
        @click="edits.removeMicrophone"
      >
        Without this one
      </button>
      <button type="button" class="plain bare" @click="edits.remove">
        Take {{ edits.piece.value?.name ?? piece.name }} out
      </button>
    </p>
    <p v-if="document.refusal" class="stray" role="alert">{{ document.refusal.sentence }}</p>
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

<style scoped src="@/views/order/facts.css"></style>

<style scoped>
/* Among fields of words a number begins where they do. */
dd :deep([role='spinbutton']) {
  width: 8ch;
  text-align: left;
}

.note {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
}

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

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 6px;
  margin: 6px 0 0;
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
