<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'

/** What the equalisers of a return leave of third octaves from 20 Hz to 20 kHz. */
const props = defineProps<{ cuts: readonly number[] }>()
const high = 64
const topDb = 12
const bottomDb = -36
const drawn = useTemplateRef<SVGSVGElement>('drawn')
const { width } = useElementSize(drawn, { width: 280, height: high })
const wide = computed(() => Math.max(80, width.value))
const x = (band: number) => (band / Math.max(1, props.cuts.length - 1)) * wide.value
const y = (db: number) => ((topDb - Math.min(topDb, Math.max(bottomDb, db))) / (topDb - bottomDb)) * high
const line = computed(() =>
  props.cuts.map((db, i) => `${i ? 'L' : 'M'}${x(i).toFixed(1)} ${y(db).toFixed(1)}`).join(''),
)
const marks = [
  { text: '100', band: 7 },
  { text: '1 k', band: 17 },
  { text: '10 k', band: 27 },
]
</script>

<template>
  <svg
    ref="drawn"
    :viewBox="`0 0 ${wide} ${high + 14}`"
    :height="high + 14"
    role="img"
    aria-label="What is cut after the effect"
  >
    <path class="rest" :d="`M0 ${y(0)}H${wide}`" />
    <template v-for="mark in marks" :key="mark.text">
      <path class="rest" :d="`M${x(mark.band)} 0V${high}`" />
      <text :x="x(mark.band)" :y="high + 11" text-anchor="middle">{{ mark.text }}</text>
    </template>
    <path class="curve" :d="line" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
}

.rest {
  stroke: var(--line-soft);
}

.curve {
  fill: none;
  stroke: var(--text);
  stroke-width: 1.8;
}

text {
  fill: var(--text-3);
  font-size: 10.5px;
}
</style>
