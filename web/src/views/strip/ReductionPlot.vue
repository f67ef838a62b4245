<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { numberText } from '@/parts/decibels'

/** What an insert takes off over one bar of the template's own sound. */
const props = defineProps<{ reductions: readonly number[]; seconds: number; barSeconds: number; bars: number }>()
const bar = ref(1)
const wide = 600
const high = 120

watch(
  () => props.bars,
  (bars) => (bar.value = Math.min(bar.value, Math.max(1, bars))),
)

const shown = computed(() => {
  const from = Math.round(((bar.value - 1) * props.barSeconds) / props.seconds)
  return props.reductions.slice(from, Math.round(from + props.barSeconds / props.seconds))
})
const most = computed(() => Math.max(0, ...shown.value))
const mean = computed(() => (shown.value.length ? shown.value.reduce((a, b) => a + b, 0) / shown.value.length : 0))
const scaleDb = computed(() => Math.max(6, Math.ceil(most.value / 6) * 6))
const line = computed(() =>
  shown.value
    .map(
      (db, i) =>
        `${i ? 'L' : 'M'}${((i / Math.max(1, shown.value.length - 1)) * wide).toFixed(1)} ${((db / scaleDb.value) * high).toFixed(1)}`,
    )
    .join(''),
)
</script>

<template>
  <figure>
    <figcaption>
      <span class="serif">What it takes off, bar {{ bar }}</span>
      <span class="quiet">mean {{ numberText(mean, 1) }} dB, most {{ numberText(most, 1) }} dB</span>
      <span class="gap" />
      <button type="button" class="plain bare" :disabled="bar <= 1" aria-label="The bar before" @click="bar--">
        ←
      </button>
      <button type="button" class="plain bare" :disabled="bar >= bars" aria-label="The next bar" @click="bar++">
        →
      </button>
    </figcaption>
    <svg
      :viewBox="`0 -4 ${wide} ${high + 8}`"
      preserveAspectRatio="none"
      role="img"
      :aria-label="`At most ${numberText(most, 1)} dB in bar ${bar}`"
    >
      <path class="grid" :d="`M0 0H${wide}M0 ${high / 2}H${wide}M0 ${high}H${wide}`" />
      <path v-for="n in 3" :key="n" class="grid" :d="`M${(n * wide) / 4} 0V${high}`" />
      <path class="curve" :d="line" />
    </svg>
    <div class="scale faint">
      <span>0 dB</span><span>−{{ scaleDb }} dB at the bottom</span>
    </div>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  flex: 1;
  min-width: 0;
}

figcaption {
  display: flex;
  align-items: baseline;
  gap: 12px;
}

.gap {
  flex: 1;
}

svg {
  display: block;
  width: 100%;
  height: var(--plot);
  background: var(--panel);
  border-radius: 8px;
}

.grid {
  stroke: var(--line-soft);
  vector-effect: non-scaling-stroke;
}

.curve {
  fill: none;
  stroke: var(--plum);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}

.scale {
  display: flex;
  justify-content: space-between;
  font-size: 11px;
}
</style>
