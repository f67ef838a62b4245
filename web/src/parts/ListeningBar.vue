<script setup lang="ts">
import { computed } from 'vue'
import Icon from './Icon.vue'
import ListeningPlace from './ListeningPlace.vue'
import ReferenceSwitch from './ReferenceSwitch.vue'
import MeterReadings from './MeterReadings.vue'
import RenderState from './RenderState.vue'
import SpectrumLine from './SpectrumLine.vue'
import WaveRibbon from './WaveRibbon.vue'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'
import { usePads } from '@/state/pads'

const document = useDocument()
const listening = useListening()
const pads = usePads()

const timeline = computed(() => document.head?.timeline)
const sections = computed(() => {
  if (!timeline.value) return []
  const lead = listening.leadSeconds
  const heard = timeline.value.sections.filter((s) => !listening.section || s.id === listening.section)
  const start = heard[0]?.startSeconds ?? 0
  const whole = lead + heard.reduce((sum, s) => sum + s.seconds, 0)
  const placed = heard.map((s) => ({ name: s.name, from: (lead + s.startSeconds - start) / whole }))
  return lead > 0 ? [{ name: 'Count-in', from: 0 }, ...placed] : placed
})
</script>

<template>
  <footer class="bar" aria-label="Listening">
    <button
      type="button"
      class="play"
      :disabled="!document.head"
      :aria-label="listening.playing ? 'Pause' : 'Play'"
      :aria-pressed="listening.playing"
      @click="listening.play()"
    >
      <svg width="14" height="16" viewBox="0 0 14 16" aria-hidden="true">
        <path :d="listening.playing ? 'M1 1h4v14H1zM9 1h4v14H9z' : 'M1 1l12 7-12 7z'" fill="currentColor" />
      </svg>
    </button>
    <template v-if="document.head">
      <ListeningPlace />
      <label class="pick">
        <span class="label">Over</span>
        <select
          :value="listening.section ?? ''"
          @change="listening.section = ($event.target as HTMLSelectElement).value || null"
        >
          <option value="">Whole timeline</option>
          <option v-for="s in timeline?.sections" :key="s.id" :value="s.id">{{ s.name }}</option>
        </select>
        <span class="ways">
          <button
            v-if="listening.section"
            type="button"
            class="lead"
            :aria-pressed="listening.lead === 'as-in-the-song'"
            title="As in the song: with the tails and echoes of what comes before. From rest: as if the song began here."
            @click.prevent="listening.lead = listening.lead === 'from-rest' ? 'as-in-the-song' : 'from-rest'"
          >
            {{ listening.lead === 'from-rest' ? 'from rest' : 'as in the song' }}
          </button>
          <button
            v-if="listening.countIn"
            type="button"
            class="lead"
            :aria-pressed="listening.countedIn"
            title="Whether the count-in and the click are heard; both are set with the timeline"
            @click.prevent="listening.countedIn = !listening.countedIn"
          >
            {{ listening.countedIn ? 'counted in' : 'not counted in' }}
          </button>
        </span>
      </label>
      <button
        type="button"
        class="plain bare"
        :class="{ on: listening.loops }"
        :aria-pressed="listening.loops"
        title="Loop"
        aria-label="Loop"
        @click="listening.loops = !listening.loops"
      >
        <Icon name="loop" :size="18" />
      </button>
      <button
        type="button"
        class="plain bare"
        :class="{ on: pads.open }"
        :aria-pressed="pads.open"
        title="Pads and keys, heard through their path"
        aria-label="Pads and keys"
        @click="pads.open = !pads.open"
      >
        <Icon name="pads" :size="18" />
      </button>
      <ReferenceSwitch />
      <WaveRibbon
        :outline="listening.meters?.outline ?? []"
        :loudness="listening.meters?.loudnessOverTime ?? []"
        :sections="sections"
        :faded="!listening.isCurrent"
        :position="listening.position"
        :range="listening.range"
        @seek="listening.seek"
        @range="listening.setRange"
      />
      <SpectrumLine class="roomy" :levels="listening.meters?.thirdOctavesDb" />
      <MeterReadings v-if="!listening.isSilent" class="roomy" />
      <RenderState />
    </template>
    <p v-else class="faint">Open a template or a song to hear it.</p>
  </footer>
</template>

<style scoped>
.bar {
  border-top: 1px solid var(--line);
  background: var(--panel);
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 0 18px;
  min-width: 0;
}

.play {
  flex: none;
  width: 38px;
  height: 38px;
  border: 0;
  border-radius: 9px;
  background: var(--play);
  color: var(--play-ink);
  display: grid;
  place-items: center;
  cursor: pointer;
}

.play:disabled {
  opacity: 0.4;
  cursor: default;
}

.pick {
  display: grid;
  max-width: 180px;
}

.label {
  font-size: 11px;
  color: var(--text-3);
}

.pick select {
  appearance: none;
  border: 0;
  background:
    linear-gradient(45deg, transparent 50%, currentcolor 50%) right 6px center / 5px 5px no-repeat,
    linear-gradient(-45deg, transparent 50%, currentcolor 50%) right 1px center / 5px 5px no-repeat;
  font-weight: 600;
  padding: 0 16px 0 0;
  min-width: 0;
  text-overflow: ellipsis;
  cursor: pointer;
}

.ways {
  display: flex;
  gap: 10px;
}

.lead {
  white-space: nowrap;
  justify-self: start;
  border: 0;
  background: none;
  padding: 0;
  font-size: 12px;
  color: var(--text-2);
  text-decoration: underline dotted;
  cursor: pointer;
}

.pick option {
  background: var(--raised);
  color: var(--text);
}

@media (max-width: 700px) {
  .bar {
    flex-wrap: wrap;
    padding: 8px 12px;
    gap: 8px 12px;
  }

  /* A ribbon to seek in and how the render stands; the meters need more room. */
  .roomy {
    display: none;
  }
}
</style>
