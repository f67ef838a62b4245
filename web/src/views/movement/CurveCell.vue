<script setup lang="ts">
import { computed } from 'vue'
import { shareOf } from './rows'
import type { ShapePoint } from '@/api/types'

/** A curve over one section, small. */
const props = defineProps<{
  points?: ShapePoint[]
  range: { min: number; max: number; stored: number | null; inOctaves?: boolean } | null
}>()
const wide = 100
const high = 30

const line = computed(() => {
  const range = props.range
  if (!props.points?.length || !range) return ''
  const at = (p: ShapePoint) => `${(p.place * wide).toFixed(1)} ${((1 - shareOf(range, p.value)) * high).toFixed(1)}`
  const first = props.points[0]!
  const last = props.points.at(-1)!
  return `M0 ${((1 - shareOf(range, first.value)) * high).toFixed(1)}L${props.points.map(at).join('L')}L${wide} ${((1 - shareOf(range, last.value)) * high).toFixed(1)}`
})
const rest = computed(() =>
  props.range?.stored == null ? undefined : (1 - shareOf(props.range, props.range.stored)) * high,
)
</script>

<template>
  <svg :viewBox="`0 -2 ${wide} ${high + 4}`" preserveAspectRatio="none" aria-hidden="true">
    <path v-if="!line && rest !== undefined" class="rest" :d="`M0 ${rest}H${wide}`" />
    <path v-else class="curve" :d="line" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  height: 34px;
}

.curve {
  fill: none;
  stroke: var(--text);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}

.rest {
  fill: none;
  stroke: var(--line);
  stroke-dasharray: 2 3;
  vector-effect: non-scaling-stroke;
}
</style>
