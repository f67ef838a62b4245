<script setup lang="ts">
import { useElementSize, useRafFn } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'

/** A rendered sound as one ribbon, cut at the sections, with a playhead. */
const props = defineProps<{
  /** Pairs of lowest and highest sample. */
  outline: readonly number[]
  /** Momentary loudness over equal stretches, in LUFS. */
  loudness: readonly number[]
  sections: readonly { name: string; from: number }[]
  faded: boolean
  position: () => number | undefined
}>()
const emit = defineEmits<{ seek: [share: number] }>()

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

function seekTo(event: MouseEvent) {
  const bounds = (event.currentTarget as SVGElement).getBoundingClientRect()
  emit('seek', Math.min(0.999, Math.max(0, (event.clientX - bounds.left) / bounds.width)))
}

function onKey(event: KeyboardEvent) {
  const by = { ArrowLeft: -0.02, ArrowRight: 0.02 }[event.key]
  if (!by) return
  event.preventDefault()
  event.stopPropagation()
  emit('seek', Math.min(0.999, Math.max(0, head.value + by)))
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
      @click="seekTo"
      @keydown="onKey"
    >
      <path :d="ribbon" fill="var(--wave)" :opacity="faded ? 0.45 : 1" />
      <path class="loud" :d="loudLine"><title>Loudness over time: the top is 0 LUFS, the bottom −60</title></path>
      <path v-if="!ribbon" :d="`M0 17H${width}`" stroke="var(--line)" />
      <g v-for="section in sections" :key="section.name">
        <path v-if="section.from > 0" :d="`M${section.from * width} 0v36`" stroke="var(--panel)" stroke-width="2" />
        <text :x="section.from * width + 2" y="47">{{ section.name }}</text>
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
