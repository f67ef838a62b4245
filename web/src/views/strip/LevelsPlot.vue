<script setup lang="ts">
import { ref, watch } from 'vue'
import { responseOf } from './stripViewCalls'
import type { Insert } from '@/api/types'
import { useDocument } from '@/state/document'

/** What comes out of a dynamics processor for what goes in and stays. */
const props = defineProps<{ channel: string; insert: Insert }>()
const document = useDocument()
const side = 250
const floorDb = -72
const curve = ref('')

const at = (db: number) => Math.min(side, Math.max(0, (1 - db / floorDb) * side))

watch(
  () => [document.head?.id, props.channel, props.insert.id, JSON.stringify(props.insert.settings)] as const,
  async ([id]) => {
    if (!id) return
    const mine = props.insert.id
    const response = await responseOf(id, props.channel, mine, null).catch(() => undefined)
    if (mine !== props.insert.id) return
    const out = response?.levelsOut ?? []
    curve.value = (response?.levelsIn ?? [])
      .map((db, i) => `${i ? 'L' : 'M'}${at(db).toFixed(1)} ${(side - at(out[i]!)).toFixed(1)}`)
      .join('')
  },
  { immediate: true },
)
</script>

<template>
  <figure>
    <figcaption class="quiet">Out for in, dBFS</figcaption>
    <svg
      :viewBox="`-26 -8 ${side + 30} ${side + 26}`"
      :width="side + 30"
      role="img"
      aria-label="What comes out for what goes in"
    >
      <template v-for="db in [-60, -48, -36, -24, -12, 0]" :key="db">
        <path class="grid" :d="`M${at(db)} 0V${side}M0 ${side - at(db)}H${side}`" />
        <text :x="at(db)" :y="side + 13" text-anchor="middle">{{ db }}</text>
        <text x="-4" :y="side - at(db) + 4" text-anchor="end">{{ db }}</text>
      </template>
      <path class="same" :d="`M0 ${side}L${side} 0`" />
      <path class="curve" :d="curve" />
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}

svg {
  display: block;
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
  font-size: 10px;
}
</style>
