<script setup lang="ts">
import { computed } from 'vue'
import { numberText } from './decibels'

/** The mean spectrum of a sound in third octaves, from 25 Hz to 20 kHz, as one ribbon. */
const props = defineProps<{ levels: readonly number[] | null | undefined }>()

const wide = 116
const high = 34
const floorDb = -78

const centreHz = (band: number) => 1000 * 10 ** ((band - 16) / 10)
const ribbon = computed(() => {
  const levels = props.levels ?? []
  if (levels.length === 0) return ''
  const step = wide / levels.length
  const y = (db: number) => (high - (1 - Math.min(0, Math.max(floorDb, db)) / floorDb) * high).toFixed(1)
  return `M0 ${high}${levels.map((db, i) => `L${(i * step).toFixed(1)} ${y(db)}H${((i + 1) * step).toFixed(1)}`).join('')}V${high}Z`
})
const said = computed(() => {
  const levels = props.levels ?? []
  if (levels.length === 0) return 'No spectrum yet'
  const band = levels.indexOf(Math.max(...levels))
  const hz = centreHz(band)
  const place = hz < 1000 ? `${Math.round(hz)} Hz` : `${numberText(hz / 1000, 1)} kHz`
  return `Spectrum in third octaves, loudest around ${place} with ${numberText(levels[band]!, 0)} dB`
})
</script>

<template>
  <figure :title="said">
    <svg :width="wide" :height="high" role="img" :aria-label="said">
      <path
        v-for="hz in [100, 1000, 10000]"
        :key="hz"
        class="grid"
        :d="`M${((Math.log10(hz / 1000) * 10 + 16.5) * wide) / 30} 0V${high}`"
      />
      <path :d="ribbon" fill="var(--wave)" />
    </svg>
    <figcaption aria-hidden="true"><span>100</span><span>1 k</span><span>10 k</span></figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  flex: none;
  width: 116px;
}

svg {
  display: block;
}

.grid {
  stroke: var(--line);
}

figcaption {
  position: relative;
  height: 14px;
  font-size: 10px;
  color: var(--text-3);
}

figcaption span {
  white-space: nowrap;
  position: absolute;
  transform: translateX(-50%);
}

figcaption span:nth-child(1) {
  left: 21.7%;
}

figcaption span:nth-child(2) {
  left: 55%;
}

figcaption span:nth-child(3) {
  left: 88.3%;
}
</style>
