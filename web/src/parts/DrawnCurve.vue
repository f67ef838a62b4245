<script setup lang="ts">
import { computed, ref } from 'vue'

/** A curve of straight lines that is drawn by hand: press on the line for a new point, drag one, or move it by the arrow
 * keys. 0 lies at the top, 1 at the bottom. */
const props = defineProps<{
  label: string
  points: { place: number; value: number }[]
  top: string
  bottom: string
  from: string
  to: string
}>()
const emit = defineEmits<{ change: [points: { place: number; value: number }[]] }>()

const wide = 300
const high = 90
const most = 32
const drawn = ref<SVGSVGElement>()
const held = ref<{ place: number; value: number }[] | null>(null)
const chosen = ref(-1)

const shown = computed(() => held.value ?? props.points)
const line = computed(() => {
  const inner = shown.value.map((p) => `${p.place * wide},${p.value * high}`)
  return [
    `0,${(shown.value[0]?.value ?? 0) * high}`,
    ...inner,
    `${wide},${(shown.value.at(-1)?.value ?? 0) * high}`,
  ].join(' ')
})

const round = (x: number) => Math.round(x * 100) / 100

function at(event: PointerEvent) {
  const box = drawn.value!.getBoundingClientRect()
  const share = (x: number) => Math.min(1, Math.max(0, x))
  return {
    place: round(share((event.clientX - box.left) / box.width)),
    value: round(share((event.clientY - box.top) / box.height)),
  }
}

/** The point where it may stand: between its neighbours. */
function between(index: number, point: { place: number; value: number }) {
  const points = shown.value.slice()
  const low = (points[index - 1]?.place ?? -0.01) + 0.01
  const high = (points[index + 1]?.place ?? 1.01) - 0.01
  points[index] = {
    place: round(Math.min(high, Math.max(low, point.place))),
    value: Math.min(1, Math.max(0, point.value)),
  }
  return points
}

function take(index: number, event: PointerEvent) {
  chosen.value = index
  held.value = props.points.slice()
  drawn.value!.setPointerCapture(event.pointerId)
}

function put(event: PointerEvent) {
  const point = at(event)
  if (props.points.length >= most || props.points.some((p) => Math.abs(p.place - point.place) < 0.02)) return
  const points = [...props.points, point].sort((a, b) => a.place - b.place)
  chosen.value = points.indexOf(point)
  held.value = points
  drawn.value!.setPointerCapture(event.pointerId)
}

function move(event: PointerEvent) {
  if (held.value) held.value = between(chosen.value, at(event))
}

function drop() {
  if (held.value) emit('change', held.value)
  held.value = null
}

function press(index: number, event: KeyboardEvent) {
  const step = event.shiftKey ? 0.1 : 0.01
  const { place, value } = props.points[index] ?? { place: 0, value: 0 }
  const moved = {
    ArrowLeft: { place: place - step, value },
    ArrowRight: { place: place + step, value },
    ArrowUp: { place, value: value - step },
    ArrowDown: { place, value: value + step },
  }[event.key]
  if (moved)
    emit(
      'change',
      between(index, moved).map((p) => ({ ...p, value: round(p.value) })),
    )
  else if (['Delete', 'Backspace'].includes(event.key) && props.points.length > 2)
    emit(
      'change',
      props.points.filter((_, i) => i !== index),
    )
  else return
  event.preventDefault()
  event.stopPropagation()
}
</script>

<template>
  <figure>
    <figcaption class="quiet">
      <span>↑ {{ top }}</span
      ><span>↓ {{ bottom }}</span>
    </figcaption>
    <svg
      ref="drawn"
      :viewBox="`0 0 ${wide} ${high}`"
      role="group"
      :aria-label="label"
      @pointerdown="put"
      @pointermove="move"
      @pointerup="drop"
      @pointercancel="held = null"
    >
      <path v-for="n in 3" :key="n" class="grid" :d="`M${(n * wide) / 4} 0V${high}`" />
      <polyline :points="line" />
      <circle
        v-for="(p, i) in shown"
        :key="i"
        :cx="p.place * wide"
        :cy="p.value * high"
        r="5"
        tabindex="0"
        role="slider"
        :class="{ chosen: i === chosen }"
        :aria-label="`Point ${i + 1}`"
        aria-valuemin="0"
        aria-valuemax="100"
        :aria-valuenow="Math.round(p.value * 100)"
        :aria-valuetext="`${Math.round(p.value * 100)} % at ${Math.round(p.place * 100)} % of the way`"
        @pointerdown.stop="take(i, $event)"
        @keydown="press(i, $event)"
        @focus="chosen = i"
      />
    </svg>
    <figcaption class="quiet">
      <span>{{ from }}</span><span>{{ to }}</span>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 6px 0 2px;
}

figcaption {
  display: flex;
  justify-content: space-between;
  font-size: 12px;
}

svg {
  display: block;
  width: 100%;
  background: var(--ground);
  border: 1px solid var(--line-soft);
  border-radius: 6px;
  overflow: visible;
  touch-action: none;
  cursor: crosshair;
}

.grid {
  stroke: var(--line-soft);
}

polyline {
  fill: none;
  stroke: var(--text-2);
  stroke-width: 2;
}

circle {
  fill: var(--ground);
  stroke: var(--text-2);
  stroke-width: 2;
  cursor: grab;
}

circle.chosen {
  stroke: var(--lamp);
}
</style>
