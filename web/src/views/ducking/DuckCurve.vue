<script setup lang="ts">
import { computed } from 'vue'

/** What a ducker takes off over a bar, from the top down. */
const props = defineProps<{ curve: readonly number[]; wide: number; high: number; scaleDb: number }>()
const path = computed(() =>
  props.curve
    .map(
      (db, i) =>
        `${i ? 'L' : 'M'}${((i / Math.max(1, props.curve.length - 1)) * props.wide).toFixed(1)} ${((Math.min(db, props.scaleDb) / props.scaleDb) * props.high).toFixed(1)}`,
    )
    .join(''),
)
</script>

<template>
  <path class="duck" :d="path" />
</template>

<style scoped>
.duck {
  fill: none;
  stroke: var(--plum);
  stroke-width: 1.6;
}
</style>
