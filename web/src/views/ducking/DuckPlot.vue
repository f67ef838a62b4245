<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import DuckCurve from './DuckCurve.vue'
import { depthRangeDb, type DuckAsking } from './useDuckAsk'
import type { Ducker } from '@/api/types'
import { numberText } from '@/parts/decibels'

/** One ducker over a bar: its hits, how far down, and where it is back. Its depth and its end are dragged, or moved by keys, which asks
 * for what is pointed at. */
const props = defineProps<{
  ducker: Ducker
  asking: DuckAsking
  barSeconds: number
  section: string
  tempoBpm: number
}>()
/** Beside the curve stand its levels, above it the hits. */
const margin = { left: 6, right: 44, top: 14, bottom: 8 }
const high = 190
const drawn = useTemplateRef<SVGSVGElement>('drawn')
const { width } = useElementSize(drawn, { width: 890, height: 0 })
const wide = computed(() => Math.max(100, width.value - margin.left - margin.right))
const reading = computed(() => props.ducker.reading!)
/** Which end is being dragged; the scale stands still meanwhile. */
const dragged = ref<'depth' | 'back'>()
const heldScale = ref(6)
let hasMoved = false
const scaleFor = (db: number) => Math.max(6, Math.ceil(db / 3) * 3)
const scale = computed(() => (dragged.value ? heldScale.value : scaleFor(reading.value.depthDb)))
const x = (seconds: number) => (seconds / props.barSeconds) * wide.value
const y = (db: number) => (db / scale.value) * high
const nearRest = computed(() => reading.value.nearRestDb)
const firstHit = computed(() => reading.value.hitSeconds[0] ?? 0)
const backSeconds = computed(() => {
  if (dragged.value) return firstHit.value + (props.asking.back.value * props.asking.quarterMs()) / 1000
  return reading.value.backMs == null ? undefined : firstHit.value + reading.value.backMs / 1000
})
const shownDepth = computed(() => (dragged.value ? props.asking.depth.value : reading.value.depthDb))
/** Where the curve is deepest after the first hit. */
const deepest = computed(() => {
  const curve = reading.value.curveDb
  const from = Math.floor((firstHit.value / props.barSeconds) * curve.length)
  let at = from
  for (let i = from; i < curve.length && i < from + curve.length / 4; i++) if (curve[i]! > curve[at]! + 0.05) at = i
  return ((at + 0.5) / curve.length) * props.barSeconds
})

function take(which: 'depth' | 'back', event: PointerEvent) {
  heldScale.value = scale.value
  dragged.value = which
  hasMoved = false
  drawn.value!.setPointerCapture(event.pointerId)
  props.asking.wantWhatIs(depthNow(), backNow())
}

const clamped = (db: number) => Math.min(depthRangeDb.max, Math.max(depthRangeDb.min, Math.round(db * 2) / 2))
const depthNow = () => clamped(reading.value.depthDb)
const backNow = () =>
  reading.value.backMs == null
    ? props.asking.back.value
    : props.asking.nearestNote(reading.value.backMs / props.asking.quarterMs())

function move(event: PointerEvent) {
  if (!dragged.value) return
  hasMoved = true
  const box = drawn.value!.getBoundingClientRect()
  const px = event.clientX - box.left - margin.left
  const py = event.clientY - box.top - margin.top
  if (dragged.value === 'depth') props.asking.want({ depth: clamped((py / high) * scale.value) })
  else {
    const seconds = (px / wide.value) * props.barSeconds - firstHit.value
    props.asking.want({ back: props.asking.nearestNote(Math.max(0, seconds * 1000) / props.asking.quarterMs()) })
  }
}

async function drop() {
  if (!dragged.value) return
  dragged.value = undefined
  // A press alone asks for nothing.
  if (hasMoved) await props.asking.solve()
}

function press(which: 'depth' | 'back', event: KeyboardEvent) {
  const steps: Record<string, 1 | -1 | undefined> =
    which === 'depth' ? { ArrowDown: 1, ArrowUp: -1 } : { ArrowRight: 1, ArrowLeft: -1 }
  const by = steps[event.key]
  if (!by) return
  event.preventDefault()
  event.stopPropagation()
  props.asking.wantWhatIs(depthNow(), backNow())
  props.asking.want(
    which === 'depth'
      ? { depth: clamped(props.asking.depth.value + by * (event.shiftKey ? 3 : 0.5)) }
      : { back: props.asking.nextNote(by) },
  )
  void props.asking.solve()
}
</script>

<template>
  <figure>
    <figcaption>
      <span class="serif">{{ ducker.name }}, for {{ ducker.by.map((b) => b.name).join(', ') || 'the beat' }}</span>
      <span class="quiet"
        >a bar of {{ section }} at {{ numberText(tempoBpm, 1) }} BPM, {{ numberText(barSeconds, 2) }} s</span
      >
    </figcaption>
    <svg
      ref="drawn"
      :viewBox="`${-margin.left} ${-margin.top} ${wide + margin.left + margin.right} ${high + margin.top + margin.bottom}`"
      :height="high + margin.top + margin.bottom"
      role="group"
      :aria-label="`Down ${numberText(reading.depthDb, 1)} dB, ${reading.backMs == null ? 'not back before the next hit' : `back after ${numberText(reading.backMs, 0)} ms`}`"
      @pointermove="move"
      @pointerup="drop"
      @pointercancel="dragged = undefined"
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
      <path v-if="dragged" class="asked" :d="`M0 ${y(asking.depth.value)}H${wide}M${x(backSeconds ?? 0)} 0V${high}`" />
      <text v-if="dragged" class="asked-text" :x="x(backSeconds ?? 0) + 8" :y="y(asking.depth.value) - 6">
        {{ numberText(asking.depth.value, 1) }} dB, back after
        {{ numberText(asking.back.value * asking.quarterMs(), 0) }} ms
      </text>
      <circle
        :cx="x(deepest)"
        :cy="y(shownDepth)"
        r="7"
        class="handle down"
        tabindex="0"
        role="slider"
        aria-label="How far down"
        aria-orientation="vertical"
        :aria-valuenow="shownDepth"
        :aria-valuemin="depthRangeDb.min"
        :aria-valuemax="depthRangeDb.max"
        :aria-valuetext="`${numberText(shownDepth, 1)} dB`"
        @pointerdown.prevent="take('depth', $event)"
        @keydown="press('depth', $event)"
      />
      <circle
        v-if="backSeconds !== undefined && backSeconds < barSeconds"
        :cx="x(backSeconds)"
        :cy="y(nearRest)"
        r="7"
        class="handle back"
        tabindex="0"
        role="slider"
        aria-label="When it is back"
        :aria-valuenow="Math.round((backSeconds - firstHit) * 1000)"
        aria-valuemin="0"
        :aria-valuemax="Math.round(barSeconds * 1000)"
        :aria-valuetext="`${numberText((backSeconds - firstHit) * 1000, 0)} ms`"
        @pointerdown.prevent="take('back', $event)"
        @keydown="press('back', $event)"
      />
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
  overflow: visible;
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

.handle {
  fill: var(--ground);
  stroke: var(--text);
  stroke-width: 2;
  touch-action: none;
}

.down {
  cursor: ns-resize;
}

.back {
  cursor: ew-resize;
}

.handle:focus-visible {
  outline: none;
  stroke: var(--lamp);
  stroke-width: 3;
}

.asked {
  stroke: var(--lamp);
  stroke-dasharray: 5 4;
  fill: none;
}

.asked-text {
  fill: var(--text);
  stroke: var(--ground);
  stroke-width: 4;
  paint-order: stroke;
}

text {
  fill: var(--text-3);
  font-size: 11px;
}
</style>
