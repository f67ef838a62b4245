<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { ReturnReading } from '@/api/types'

/** What comes back of one knock over two bars: the left upwards, the right downwards. */
const props = defineProps<{ reading: ReturnReading; beats: number; high?: number }>()
const bars = 2
const floorDb = -72
const labels = 16
const drawn = useTemplateRef<SVGSVGElement>('drawn')
const { width } = useElementSize(drawn, { width: 280, height: 130 })
const wide = computed(() => Math.max(80, width.value))
const half = computed(() => ((props.high ?? 130) - labels) / 2)

const tall = (db: number) => (1 - db / floorDb) * half.value
/** A filled outline that stands on the middle line. */
function side(levels: readonly number[], sign: 1 | -1) {
  const step = wide.value / levels.length
  const points = levels.map((db, i) => `L${((i + 0.5) * step).toFixed(1)} ${(half.value - sign * tall(db)).toFixed(1)}`)
  return `M0 ${half.value}${points.join('')}L${wide.value} ${half.value}Z`
}
const left = computed(() => side(props.reading.leftDb, 1))
const right = computed(() => side(props.reading.rightDb, -1))
const beatLines = computed(() => Array.from({ length: bars * props.beats }, (_, i) => i))
const x = (beat: number) => (beat / (bars * props.beats)) * wide.value
const said = computed(() => {
  const { tailSeconds, barSeconds, leftDb, rightDb } = props.reading
  if (Math.max(...leftDb, ...rightDb) <= floorDb) return 'Nothing comes back'
  return tailSeconds == null
    ? 'What comes back'
    : `What comes back: a tail of ${(tailSeconds / barSeconds).toFixed(1)} bars`
})
</script>

<template>
  <svg
    ref="drawn"
    :viewBox="`0 0 ${wide} ${2 * half + labels}`"
    :height="2 * half + labels"
    role="img"
    :aria-label="said"
  >
    <path
      v-for="beat in beatLines"
      :key="beat"
      :class="beat % beats ? 'beat' : 'bar'"
      :d="`M${x(beat)} 0V${2 * half}`"
    />
    <path class="side" :d="left" />
    <path class="side" :d="right" />
    <path class="bar" :d="`M0 ${half}H${wide}`" />
    <text x="4" y="11">L</text>
    <text x="4" :y="2 * half - 4">R</text>
    <text v-for="bar in bars" :key="bar" :x="x((bar - 1) * beats) + 2" :y="2 * half + 12">bar {{ bar }}</text>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  background: var(--ground);
  border-radius: 8px;
}

.beat {
  stroke: var(--line-soft);
}

.bar {
  stroke: var(--line);
}

.side {
  fill: var(--wave);
  stroke: var(--text-2);
  stroke-width: 1.2;
  stroke-linejoin: round;
}

text {
  fill: var(--text-3);
  font-size: 10.5px;
}
</style>
