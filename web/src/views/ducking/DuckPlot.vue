<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import DuckCurve from './DuckCurve.vue'
import type { Ducker } from '@/api/types'
import { numberText } from '@/parts/decibels'

/** One ducker over a bar: its hits, how far down, and where it is back. */
const props = defineProps<{ ducker: Ducker; barSeconds: number; section: string; tempoBpm: number }>()
/** Beside the curve stand its levels, above it the hits. */
const margin = { left: 6, right: 44, top: 14, bottom: 8 }
const high = 190
const drawn = useTemplateRef<SVGSVGElement>('drawn')
const { width } = useElementSize(drawn, { width: 890, height: 0 })
const wide = computed(() => Math.max(100, width.value - margin.left - margin.right))
const reading = computed(() => props.ducker.reading!)
const scale = computed(() => Math.max(6, Math.ceil(reading.value.depthDb / 3) * 3))
const x = (seconds: number) => (seconds / props.barSeconds) * wide.value
const y = (db: number) => (db / scale.value) * high
const nearRest = computed(() => Math.min(1, reading.value.depthDb / 4))
const back = computed(() => {
  const first = reading.value.hitSeconds[0]
  return first === undefined || reading.value.backMs == null ? undefined : first + reading.value.backMs / 1000
})
</script>

<template>
  <figure>
    <figcaption>
      <span class="serif">{{ ducker.name }}, for {{ ducker.by.map((b) => b.name).join(', ') || 'the beat' }}</span>
      <span class="quiet"
        >a bar of {{ section }} at {{ numberText(tempoBpm, 1) }}, {{ numberText(barSeconds, 2) }} s</span
      >
    </figcaption>
    <svg
      ref="drawn"
      :viewBox="`${-margin.left} ${-margin.top} ${wide + margin.left + margin.right} ${high + margin.top + margin.bottom}`"
      :height="high + margin.top + margin.bottom"
      role="img"
      :aria-label="`Down ${numberText(reading.depthDb, 1)} dB, ${reading.backMs == null ? 'not back before the next hit' : `back after ${numberText(reading.backMs, 0)} ms`}`"
    >
      <path class="grid" :d="`M0 0H${wide}M0 ${high}H${wide}`" />
      <path class="rest" :d="`M0 ${y(nearRest)}H${wide}`" />
      <text :x="wide + 4" :y="y(nearRest) + 4">back</text>
      <text :x="wide + 4" :y="high + 4">−{{ scale }} dB</text>
      <g v-for="hit in reading.hitSeconds" :key="hit">
        <path class="grid" :d="`M${x(hit)} 0V${high}`" />
        <circle :cx="x(hit)" cy="-8" r="3.5" class="hit" />
      </g>
      <DuckCurve :curve="reading.curveDb" :wide="wide" :high="high" :scale-db="scale" />
      <circle v-if="back !== undefined && back < barSeconds" :cx="x(back)" :cy="y(nearRest)" r="5" class="back" />
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 14px 0 0;
}

figcaption {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: baseline;
  margin-bottom: 6px;
}

.serif {
  font-family: var(--serif);
  font-size: 16px;
  font-weight: 600;
}

svg {
  width: 100%;
  display: block;
}

.grid {
  stroke: var(--line-soft);
  fill: none;
}

.rest {
  stroke: var(--line);
  stroke-dasharray: 3 4;
}

.hit {
  fill: var(--lamp);
}

.back {
  fill: none;
  stroke: var(--proven, var(--text));
  stroke-width: 2;
}

text {
  fill: var(--text-3);
  font-size: 11px;
}
</style>
