<script setup lang="ts">
import { computed } from 'vue'
import Icon from './Icon.vue'
import ListeningPlace from './ListeningPlace.vue'
import ReferenceSwitch from './ReferenceSwitch.vue'
import SpectrumLine from './SpectrumLine.vue'
import WaveRibbon from './WaveRibbon.vue'
import { numberText, secondsText } from './decibels'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'
import { usePads } from '@/state/pads'
import { useSilence } from '@/state/useSilence'

const document = useDocument()
const listening = useListening()
const pads = usePads()

const timeline = computed(() => document.head?.timeline)
const sections = computed(() => {
  if (!timeline.value) return []
  if (listening.section) return [{ name: document.sectionName(listening.section), from: 0 }]
  const { seconds, sections } = timeline.value
  return sections.map((s) => ({ name: s.name, from: s.startSeconds / seconds }))
})
const isSilent = computed(() => listening.meters !== undefined && listening.meters.peakDbfs == null)
const main = computed(() => document.ordered.find((r) => document.can(r).standsOnce)?.channel.id)
const silence = useSilence(() => (isSilent.value ? (listening.point ?? main.value) : undefined))
const state = computed(() => {
  if (listening.trouble) return listening.trouble
  if (listening.rendering) return `Rendering ${Math.round((listening.job?.progress ?? 0) * 100)} %`
  if (listening.job?.state === 'cancelled') return 'Cancelled'
  if (listening.keptAs) return `Kept as ${listening.keptAs}`
  if (!listening.meters) return 'Not rendered yet'
  const taped = listening.meters.channelsFromTape
  if (listening.isCurrent && isSilent.value) return ['Silent.', ...silence.value].join(' ')
  return listening.isCurrent
    ? `${secondsText(listening.meters.seconds)} in ${numberText(listening.job?.tookSeconds ?? 0, 2)} s${taped ? `, ${taped} unchanged` : ''}`
    : 'Older than the template'
})

const readings = computed(() => {
  const m = listening.meters
  const text = (value: number | null | undefined, digits: number, unit: string) =>
    value == null ? '—' : `${numberText(value, digits)}${unit}`
  return [
    { name: 'Loudness', value: text(m?.loudnessLufs, 1, ' LUFS') },
    { name: 'Range', value: text(m?.rangeLu, 1, ' LU') },
    { name: 'True peak', value: text(m?.truePeakDbtp, 1, ' dBTP') },
    { name: 'Correlation', value: text(m?.correlation, 2, '') },
  ]
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
      <SpectrumLine :levels="listening.meters?.thirdOctavesDb" />
      <dl class="meters" aria-live="polite">
        <div v-for="r in readings" :key="r.name">
          <dt>{{ r.name }}</dt>
          <dd>{{ r.value }}</dd>
        </div>
      </dl>
      <div class="work">
        <span :class="{ trouble: listening.trouble, silent: isSilent }" :title="state" role="status">{{ state }}</span>
        <progress v-if="listening.rendering" max="1" :value="listening.job?.progress ?? 0" aria-label="Rendering" />
        <button v-if="listening.rendering" type="button" class="plain bare" @click="listening.cancel()">Cancel</button>
        <button v-else-if="!listening.isCurrent" type="button" class="plain bare" @click="listening.render()">
          Render now
        </button>
        <button
          v-else-if="listening.meters && !isSilent && !listening.keptAs"
          type="button"
          class="plain bare"
          title="Put it on the shelf of sounds, where starters find it"
          @click="listening.keep()"
        >
          Keep the sound
        </button>
      </div>
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
  max-width: 150px;
}

.label,
dt {
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

.pick option {
  background: var(--raised);
  color: var(--text);
}

.meters {
  display: grid;
  grid-template-columns: auto auto;
  gap: 2px 14px;
  margin: 0;
}

.meters div {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 6px;
}

.meters dd {
  margin: 0;
  font-weight: 600;
  font-size: 13px;
  white-space: nowrap;
}

.work {
  width: 132px;
  flex: none;
  display: grid;
  justify-items: end;
  text-align: right;
  font-size: 12px;
  color: var(--text-2);
}

.silent {
  display: -webkit-box;
  -webkit-line-clamp: 3;
  -webkit-box-orient: vertical;
  overflow: hidden;
}

.trouble {
  color: var(--blocker);
}

progress {
  width: 100%;
  height: 4px;
  accent-color: var(--lamp-ground);
}

@media (max-width: 700px) {
  .bar {
    flex-wrap: wrap;
    padding: 8px 12px;
    gap: 8px 12px;
  }
}
</style>
