<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { responseOf } from './stripViewCalls'
import type { Insert } from '@/api/types'
import { numberText } from '@/parts/decibels'
import { useDocument } from '@/state/document'

/** What comes out of a dynamics processor for what goes in and stays. */
const props = defineProps<{ channel: string; insert: Insert }>()
const document = useDocument()
const floorDb = -72
/** Beside and under the square stand its numbers. */
const margin = { left: 26, right: 4, top: 8, bottom: 18 }
const drawn = useTemplateRef<SVGSVGElement>('drawn')
const { width } = useElementSize(drawn, { width: 280, height: 280 })
const side = computed(() => Math.max(100, width.value - margin.left - margin.right))
const levels = ref<{ in: readonly number[]; out: readonly number[] }>({ in: [], out: [] })

const at = (db: number) => Math.min(side.value, Math.max(0, (1 - db / floorDb) * side.value))
const curve = computed(() =>
  levels.value.in
    .map((db, i) => `${i ? 'L' : 'M'}${at(db).toFixed(1)} ${(side.value - at(levels.value.out[i]!)).toFixed(1)}`)
    .join(''),
)

watch(
  () => [document.head?.id, props.channel, props.insert.id, JSON.stringify(props.insert.settings)] as const,
  async ([id]) => {
    if (!id) return
    const mine = props.insert.id
    const response = await responseOf(id, props.channel, mine, null).catch(() => undefined)
    if (mine !== props.insert.id) return
    levels.value = { in: response?.levelsIn ?? [], out: response?.levelsOut ?? [] }
  },
  { immediate: true },
)
</script>

<template>
  <figure>
    <figcaption class="quiet">Out for in, dBFS</figcaption>
    <svg
      ref="drawn"
      :viewBox="`${-margin.left} ${-margin.top} ${side + margin.left + margin.right} ${side + margin.top + margin.bottom}`"
      role="img"
      aria-label="What comes out for what goes in"
    >
      <template v-for="db in [-60, -48, -36, -24, -12, 0]" :key="db">
        <path class="grid" :d="`M${at(db)} 0V${side}M0 ${side - at(db)}H${side}`" />
        <text :x="at(db)" :y="side + 13" text-anchor="middle">{{ numberText(db, 0) }}</text>
        <text x="-4" :y="side - at(db) + 4" text-anchor="end">{{ numberText(db, 0) }}</text>
      </template>
      <path class="same" :d="`M0 ${side}L${side} 0`" />
      <path class="curve" :d="curve" />
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  flex: none;
  width: min(100%, var(--plot));
}

svg {
  display: block;
  width: 100%;
  aspect-ratio: 1;
}

.grid {
  stroke: var(--line-soft);
}

.same {
  stroke: var(--line);
  stroke-dasharray: 3 3;
}

.curve {
  fill: none;
  stroke: var(--text);
  stroke-width: 2;
}

text {
  fill: var(--text-3);
  font-size: 11px;
}
</style>
