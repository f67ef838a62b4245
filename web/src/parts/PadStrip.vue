<script setup lang="ts">
import { computed } from 'vue'
import HeardInputLine from './HeardInputLine.vue'
import Icon from './Icon.vue'
import IdeaLine from './IdeaLine.vue'
import ValueField from './ValueField.vue'
import { useDocument } from '@/state/document'
import { usePads, type Pad } from '@/state/pads'

/** The pads of a kit, two octaves of keys or the hardware inputs, pressed by mouse, by the computer's keys while one is in focus, or by MIDI. */
const pads = usePads()

// In order of the pads: the digits, then the letters row by row, by their place on the keyboard.
const codes = [
  ...'1234567890'.split('').map((d) => `Digit${d}`),
  ...'QWERTYUIOPASDFGHJKLZXCVBNM'.split('').map((l) => `Key${l}`),
]
const letters = computed(() => codes.map((code) => code.replace(/Digit|Key/, '')))

const document = useDocument()
const takesSound = computed(() => document.selected?.channel.kind === 'audio')
const isKeys = computed(() => !pads.kit && (!pads.ofInputs || pads.catching !== undefined))
const isDark = (pad: Pad) => !pads.kit && pad.note !== null && [1, 3, 6, 8, 10].includes(pad.note % 12)

function onKey(event: KeyboardEvent) {
  if (event.key === 'Escape') {
    pads.open = false
    return
  }
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const pad = pads.pads[codes.indexOf(event.code)]
  if (!pad) return
  event.preventDefault()
  event.stopPropagation()
  if (!event.repeat) void pads.pressPad(pad, event.timeStamp)
}

function onKeyUp(event: KeyboardEvent) {
  const pad = pads.pads[codes.indexOf(event.code)]
  if (pad) pads.letGo(pad.note, event.timeStamp)
}
</script>

<template>
  <section class="strip" aria-label="Pads and keys">
    <div class="head">
      <h2>
        {{ pads.catching ? 'Which note?' : pads.ofInputs ? 'Inputs' : (pads.row?.channel.name ?? 'Nothing to play') }}
      </h2>
      <span v-if="isKeys" class="line">
        <button
          type="button"
          class="plain bare"
          aria-label="An octave down"
          :disabled="pads.lowest <= 12"
          @click="pads.lowest -= 12"
        >
          − octave
        </button>
        <button
          type="button"
          class="plain bare"
          aria-label="An octave up"
          :disabled="pads.lowest >= 96"
          @click="pads.lowest += 12"
        >
          + octave
        </button>
      </span>
      <span v-if="pads.ofInputs && !pads.catching && pads.pads.length === 0" class="quiet"
        >no input is monitored in this act</span
      >
      <span v-if="!pads.ofInputs" class="line quiet"
        >struck with
        <ValueField
          label="Velocity of a press"
          :value="pads.velocity"
          :min="1"
          :max="127"
          :step="8"
          @change="pads.velocity = $event ?? 100"
      /></span>
      <button v-if="!pads.midi && !pads.ofInputs" type="button" class="plain bare" @click="pads.listenToMidi()">
        play by MIDI
      </button>
      <span v-else-if="!pads.ofInputs" class="quiet">MIDI: {{ pads.midi }}</span>
      <span class="faint">once a pad is in focus, the letters on the pads play them</span>
      <span v-if="pads.trouble" class="trouble" role="alert">{{ pads.trouble }}</span>
      <button type="button" class="plain bare end" aria-label="Close the pads" @click="pads.open = false">
        <Icon name="close" :size="14" />
      </button>
    </div>
    <IdeaLine v-if="!pads.catching" />
    <HeardInputLine v-if="!pads.catching && takesSound" />
    <div class="pads" data-keeps-keys :class="{ keys: isKeys }" @keydown="onKey" @keyup="onKeyUp">
      <button
        v-for="(pad, i) in pads.pads"
        :key="pad.key"
        type="button"
        class="pad"
        :class="{ lit: (pads.lit.get(pad.key) ?? 0) > 0, dark: isDark(pad) }"
        :aria-label="pad.note === null ? `${pad.name}, input` : `${pad.name}, note ${pad.note}`"
        @pointerdown.left="pads.pressPad(pad, $event.timeStamp)"
        @pointerup="pads.letGo(pad.note, $event.timeStamp)"
        @pointercancel="pads.letGo(pad.note, $event.timeStamp)"
        @keydown.enter.prevent="pads.pressPad(pad)"
        @keydown.space.prevent.stop="pads.pressPad(pad)"
      >
        <span class="name">{{ pad.name }}</span>
        <kbd>{{ letters[i] }}</kbd>
      </button>
    </div>
  </section>
</template>

<style scoped>
.strip {
  border-top: 1px solid var(--line);
  background: var(--panel);
  padding: 6px 18px 10px;
}

.head,
.line {
  display: flex;
  align-items: center;
  gap: 10px;
}

.line {
  gap: 4px;
}

h2 {
  font-size: 14px;
  margin: 0;
}

.end {
  margin-left: auto;
}

.trouble {
  color: var(--blocker);
}

.pads {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(118px, 1fr));
  gap: 5px;
  max-height: 150px;
  overflow: auto;
  padding: 3px;
}

.pads.keys {
  grid-template-columns: repeat(25, minmax(34px, 1fr));
}

.pad {
  display: flex;
  justify-content: space-between;
  gap: 4px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--raised);
  color: var(--text);
  padding: 7px 8px;
  font: inherit;
  font-size: 12px;
  cursor: pointer;
  touch-action: none;
  min-width: 0;
}

.keys .pad {
  flex-direction: column;
  align-items: center;
  padding: 8px 2px;
}

.dark {
  background: var(--line);
}

.lit {
  background: var(--lamp-ground);
  color: var(--play-ink);
}

.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

kbd {
  font: inherit;
  font-size: 11px;
  color: var(--text-2);
}

.lit kbd {
  color: inherit;
}
</style>
