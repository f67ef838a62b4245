<script setup lang="ts">
import { useElementSize, useRafFn } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import type { LoopRange } from '@/state/loopPlayer'

/** A rendered sound as one ribbon, cut at the sections, with a playhead. */
const props = defineProps<{
  /** Pairs of lowest and highest sample. */
  outline: readonly number[]
  /** Momentary loudness over equal stretches, in LUFS. */
  loudness: readonly number[]
  sections: readonly { name: string; from: number }[]
  faded: boolean
  position: () => number | undefined
  /** The stretch that is looped; undefined for all. */
  range?: LoopRange
}>()
const emit = defineEmits<{ seek: [share: number]; range: [stretch: LoopRange | undefined] }>()

const height = 34
const box = useTemplateRef('box')
const { width } = useElementSize(box)
const head = ref(0)

useRafFn(() => {
  const share = props.position()
  if (share !== undefined) head.value = share
})

const ribbon = computed(() => {
  const points = props.outline.length / 2
  if (points < 2) return ''
  const x = (i: number) => ((i / (points - 1)) * width.value).toFixed(1)
  const y = (sample: number) => (height / 2 - Math.max(-1, Math.min(1, sample)) * (height / 2)).toFixed(1)
  const upper = Array.from({ length: points }, (_, i) => `${x(i)} ${y(props.outline[2 * i + 1]! + 0.015)}`)
  const lower = Array.from({ length: points }, (_, i) => `${x(i)} ${y(props.outline[2 * i]! - 0.015)}`).reverse()
  return `M${upper.join('L')}L${lower.join('L')}Z`
})

const loudLine = computed(() => {
  const points = props.loudness.length
  if (points < 2) return ''
  const y = (lufs: number) => (height - (1 + Math.max(-60, Math.min(0, lufs)) / 60) * height).toFixed(1)
  return `M${props.loudness.map((lufs, i) => `${((i / (points - 1)) * width.value).toFixed(1)} ${y(lufs)}`).join('L')}`
})

/** Names as far as their sections are wide enough for them. */
const letterPx = 6
const labels = computed(() =>
  props.sections.map(({ name, from }, i) => {
    const letters = Math.floor((((props.sections[i + 1]?.from ?? 1) - from) * width.value - 6) / letterPx)
    return {
      name,
      from,
      shown: name.length <= letters ? name : letters > 3 ? `${name.slice(0, letters - 1).trimEnd()}…` : '',
    }
  }),
)

const leastShare = 0.005
const drawn = ref<LoopRange>()
const shown = computed(() => drawn.value ?? props.range)
let pressedAt: number | undefined

function shareOf(event: PointerEvent) {
  const bounds = (event.currentTarget as SVGElement).getBoundingClientRect()
  return Math.min(1, Math.max(0, (event.clientX - bounds.left) / bounds.width))
}

function press(event: PointerEvent) {
  if (event.button !== 0) return
  pressedAt = shareOf(event)
  ;(event.currentTarget as SVGElement).setPointerCapture(event.pointerId)
}

function pull(event: PointerEvent) {
  if (pressedAt === undefined) return
  const here = shareOf(event)
  const stretch = { from: Math.min(pressedAt, here), to: Math.max(pressedAt, here) }
  drawn.value = stretch.to - stretch.from > leastShare ? stretch : undefined
}

/** Without a pull it is a place to go to. */
function letGo() {
  if (pressedAt === undefined) return
  if (drawn.value) emit('range', drawn.value)
  else emit('seek', Math.min(0.999, pressedAt))
  pressedAt = undefined
  drawn.value = undefined
}

/** [ and ] put the ends of the loop at the playhead; Escape takes them away. */
function onKey(event: KeyboardEvent) {
  const place = Math.min(0.999, Math.max(0, head.value))
  const { from, to } = props.range ?? { from: 0, to: 1 }
  const steps: Record<string, () => void> = {
    ArrowLeft: () => emit('seek', Math.max(0, place - 0.02)),
    ArrowRight: () => emit('seek', Math.min(0.999, place + 0.02)),
    '[': () => emit('range', { from: place, to: place < to - leastShare ? to : 1 }),
    ']': () => place > leastShare && emit('range', { from: from < place - leastShare ? from : 0, to: place }),
    Escape: () => emit('range', undefined),
  }
  const step = steps[event.key]
  if (!step) return
  event.preventDefault()
  event.stopPropagation()
  step()
}
</script>

<template>
  <div ref="box" class="ribbon">
    <svg
      :width="width"
      height="50"
      role="slider"
      tabindex="0"
      aria-label="Place in the sound"
      :aria-valuenow="Math.round(head * 100)"
      aria-valuemin="0"
      aria-valuemax="100"
      :aria-valuetext="`${Math.round(head * 100)} %`"
      @pointerdown="press"
      @pointermove="pull"
      @pointerup="letGo"
      @pointercancel="letGo"
      @dblclick="emit('range', undefined)"
      @keydown="onKey"
    >
      <title>Press to go there, pull to loop a stretch, press twice to loop all. Keys: [ and ] set its ends</title>
      <rect
        v-if="shown"
        class="range"
        :x="shown.from * width"
        :width="(shown.to - shown.from) * width"
        y="0"
        height="36"
      />
      <path :d="ribbon" fill="var(--wave)" :opacity="faded ? 0.45 : 1" />
      <path class="loud" :d="loudLine"><title>Loudness over time: the top is 0 LUFS, the bottom −60</title></path>
      <path v-if="!ribbon" :d="`M0 17H${width}`" stroke="var(--line)" />
      <g v-for="section in labels" :key="section.name">
        <path v-if="section.from > 0" :d="`M${section.from * width} 0v36`" stroke="var(--panel)" stroke-width="2" />
        <text :x="section.from * width + 2" y="47">
          {{ section.shown }}
          <title>{{ section.name }}</title>
        </text>
      </g>
      <path v-if="ribbon" :d="`M${head * width} 0v37`" stroke="var(--lamp)" stroke-width="1.5" />
    </svg>
  </div>
</template>

<style scoped>
.ribbon {
  flex: 1;
  min-width: 120px;
  height: 50px;
  overflow: hidden;
}

svg {
  display: block;
  cursor: pointer;
  touch-action: none;
  user-select: none;
}

.range {
  fill: var(--raised);
  stroke: var(--text-2);
}

.loud {
  fill: none;
  stroke: var(--text);
  stroke-width: 1;
  opacity: 0.75;
}

text {
  font-size: 10px;
  fill: var(--text-3);
}
</style>
