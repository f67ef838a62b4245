<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { responseOf } from './stripViewCalls'
import type { EqualiserResponse, EqualiserSection, Insert } from '@/api/types'
import { numberText } from '@/parts/decibels'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

/** An equaliser over the range of hearing: the whole, the chosen section, the channel's spectrum behind, and a point for each
 * section that is dragged or moved by keys. */
const props = defineProps<{
  channel: string
  insert: Insert
  spectrum?: readonly number[] | null
}>()
const chosen = defineModel<string>('chosen', { required: true })
const emit = defineEmits<{ sections: [sections: EqualiserSection[]] }>()
const document = useDocument()
const catalogue = useCatalogue()

/** Under the curve stand the frequencies. */
const footer = 16
const topDb = 20
const bottomDb = -26
const lowHz = 20
const octaves = Math.log2(20000 / lowHz)
const spectrumTopDb = -12
const spectrumBottomDb = -84

const response = ref<EqualiserResponse>()
/** What is being dragged to, before it is an edit. */
const trial = ref<Record<string, number>>()
const drawn = useTemplateRef<SVGSVGElement>('drawn')
const size = useElementSize(drawn, { width: 860, height: 346 })
const wide = computed(() => Math.max(100, size.width.value))
const high = computed(() => Math.max(100, size.height.value - footer))
let asking = false
let again = false

const settings = computed<Record<string, number>>(() => ({
  ...(props.insert.settings as Record<string, number>),
  ...trial.value,
}))
const kind = computed(() => catalogue.processors.get(props.insert.processor))
const parameter = (id: string) => kind.value?.parameters.find((p) => p.id === id)
const valueOf = (id: string) => settings.value[id] ?? parameter(id)?.default ?? 0

const x = (hz: number) => (Math.log2(hz / lowHz) / octaves) * wide.value
const hzAt = (px: number) => lowHz * 2 ** ((px / wide.value) * octaves)
const y = (db: number) => ((topDb - Math.min(topDb, Math.max(bottomDb, db))) / (topDb - bottomDb)) * high.value
const dbAt = (px: number) => topDb - (px / high.value) * (topDb - bottomDb)

/** One question at a time; the last one counts. */
async function ask() {
  if (asking) return void (again = true)
  const id = document.head?.id
  if (!id) return
  asking = true
  try {
    const answer = await responseOf(id, props.channel, props.insert.id, { ...settings.value })
    response.value = answer.equaliser ?? undefined
    emit('sections', answer.equaliser?.sections ?? [])
  } catch {
    // The insert is gone; so is its curve.
    response.value = undefined
  } finally {
    asking = false
    if (again) {
      again = false
      void ask()
    }
  }
}
watch(() => [props.channel, props.insert.id, JSON.stringify(settings.value)], ask, { immediate: true })
// What was dragged to is what is stored from then on.
watch(
  () => props.insert.settings,
  () => (trial.value = undefined),
)

const path = (gains: readonly number[]) =>
  response.value
    ? gains
        .map((db, i) => `${i ? 'L' : 'M'}${x(response.value!.frequenciesHz[i]!).toFixed(1)} ${y(db).toFixed(1)}`)
        .join('')
    : ''
const whole = computed(() => path(response.value?.wholeDb ?? []))
const others = computed(() =>
  (response.value?.sections ?? [])
    .filter((s) => s.isOn && s.id !== chosen.value && s.gainsDb.some((db) => Math.abs(db) >= 0.05))
    .map((s) => ({ id: s.id, path: path(s.gainsDb) })),
)
const single = computed(() => path(response.value?.sections.find((s) => s.id === chosen.value)?.gainsDb ?? []))
const points = computed(() =>
  (response.value?.sections ?? []).map((section) => {
    const hz = valueOf(`${section.id}-hz`)
    const db = section.hasGain ? valueOf(`${section.id}-db`) : 0
    return { section, hz, db, x: x(hz), y: y(db) }
  }),
)
const ribbon = computed(() => {
  const bands = props.spectrum ?? []
  if (!bands.length) return ''
  const level = (db: number) =>
    high.value -
    ((Math.min(spectrumTopDb, Math.max(spectrumBottomDb, db)) - spectrumBottomDb) /
      (spectrumTopDb - spectrumBottomDb)) *
      high.value
  const centre = (band: number) => 1000 * 10 ** ((band - 16) / 10)
  return `M${x(centre(0)).toFixed(1)} ${high.value}${bands.map((db, i) => `L${Math.min(wide.value, x(centre(i))).toFixed(1)} ${level(db).toFixed(1)}`).join('')}V${high.value}Z`
})

const clampTo = (id: string, value: number) => {
  const known = parameter(id)
  if (!known) return value
  const stepped = Math.round(value / known.step) * known.step
  return Math.min(known.max, Math.max(known.min, Number(stepped.toFixed(4))))
}

function moved(section: EqualiserSection, hz: number, db: number): Record<string, number> {
  const changed: Record<string, number> = { [`${section.id}-hz`]: clampTo(`${section.id}-hz`, hz) }
  if (section.hasGain) changed[`${section.id}-db`] = clampTo(`${section.id}-db`, db)
  if (section.hasSwitch && valueOf(section.id) < 0.5) changed[section.id] = 1
  return changed
}

function commit(changed: Record<string, number>) {
  const about = { channel: props.channel, insert: props.insert.id }
  void document.edit(
    Object.entries(changed).map(([parameter, value]) => ({
      type: 'set-parameter' as const,
      ...about,
      parameter,
      value,
    })),
    props.channel,
  )
}

let dragged: EqualiserSection | undefined

function take(section: EqualiserSection, event: PointerEvent) {
  chosen.value = section.id
  dragged = section
  drawn.value!.setPointerCapture(event.pointerId)
}

function move(event: PointerEvent) {
  if (!dragged) return
  const box = drawn.value!.getBoundingClientRect()
  const px = ((event.clientX - box.left) / box.width) * wide.value
  const py = ((event.clientY - box.top) / box.height) * high.value
  trial.value = moved(dragged, hzAt(Math.min(wide.value, Math.max(0, px))), dbAt(py))
}

function drop() {
  dragged = undefined
  if (trial.value) commit(trial.value)
}

function press(point: { section: EqualiserSection; hz: number; db: number }, event: KeyboardEvent) {
  const { section, hz, db } = point
  const big = event.shiftKey
  const octave = big ? 1 / 3 : 1 / 24
  const gain = big ? 3 : 0.5
  const width = `${section.id}-q`
  const change: Record<string, Record<string, number> | undefined> = {
    ArrowLeft: moved(section, hz * 2 ** -octave, db),
    ArrowRight: moved(section, hz * 2 ** octave, db),
    ArrowUp: section.hasGain ? moved(section, hz, db + gain) : undefined,
    ArrowDown: section.hasGain ? moved(section, hz, db - gain) : undefined,
    PageUp: section.hasWidth ? { [width]: clampTo(width, valueOf(width) * 1.1) } : undefined,
    PageDown: section.hasWidth ? { [width]: clampTo(width, valueOf(width) / 1.1) } : undefined,
    Enter: section.hasSwitch
      ? { [section.id]: valueOf(section.id) >= 0.5 ? 0 : 1 }
      : section.hasGain
        ? { [`${section.id}-db`]: 0 }
        : undefined,
  }
  const wanted = change[event.key]
  if (!wanted) return
  event.preventDefault()
  event.stopPropagation()
  commit(wanted)
}

const hertz = (hz: number) => (hz < 1000 ? `${Math.round(hz)} Hz` : `${numberText(hz / 1000, 2)} kHz`)
const said = (point: { section: EqualiserSection; hz: number; db: number }) =>
  [hertz(point.hz), point.section.hasGain && `${numberText(point.db, 1)} dB`, !point.section.isOn && 'at rest']
    .filter(Boolean)
    .join(', ')
const lines = [50, 100, 200, 500, 1000, 2000, 5000, 10000]
/** Where there is no room for all, every second one has its number. */
const marked = computed(() => (wide.value < 480 ? lines.filter((_, i) => i % 2) : lines))
</script>

<template>
  <svg
    ref="drawn"
    class="plot"
    :viewBox="`0 0 ${wide} ${high + footer}`"
    role="group"
    aria-label="Response of the equaliser"
    @pointermove="move"
    @pointerup="drop"
    @pointercancel="trial = undefined"
  >
    <path v-for="hz in lines" :key="hz" class="grid" :d="`M${x(hz)} 0V${high}`" />
    <path v-for="db in [-18, -12, -6, 6, 12, 18]" :key="db" class="grid" :d="`M0 ${y(db)}H${wide}`" />
    <path class="rest" :d="`M0 ${y(0)}H${wide}`" />
    <path class="spectrum" :d="ribbon" />
    <path v-for="other in others" :key="other.id" class="other" :d="other.path" />
    <path class="one" :d="single" />
    <path class="whole" :d="whole" />
    <text v-for="hz in marked" :key="`t${hz}`" class="mark" :x="x(hz)" :y="high + 13" text-anchor="middle">
      {{ hz < 1000 ? hz : `${hz / 1000} k` }}
    </text>
    <text
      v-for="db in [-18, -12, -6, 0, 6, 12, 18]"
      :key="`d${db}`"
      class="mark"
      :x="wide - 4"
      :y="y(db) - 3"
      text-anchor="end"
    >
      {{ db > 0 ? '+' : '' }}{{ numberText(db, 0) }}
    </text>
    <circle
      v-for="p in points"
      :key="p.section.id"
      :cx="p.x"
      :cy="p.y"
      r="6.5"
      tabindex="0"
      role="slider"
      :class="{ chosen: p.section.id === chosen, rests: !p.section.isOn }"
      :aria-label="p.section.name"
      aria-valuemin="20"
      aria-valuemax="20000"
      :aria-valuenow="Math.round(p.hz)"
      :aria-valuetext="said(p)"
      @pointerdown.prevent.stop="take(p.section, $event)"
      @focus="chosen = p.section.id"
      @keydown="press(p, $event)"
    >
      <title>{{ p.section.name }}: {{ said(p) }}</title>
    </circle>
  </svg>
</template>

<style scoped>
.plot {
  display: block;
  width: 100%;
  flex: 1 0 240px;
  min-height: 240px;
  max-height: 560px;
  background: var(--panel);
  border-radius: 8px;
  touch-action: none;
}

.grid {
  stroke: var(--line-soft);
}

.rest {
  stroke: var(--line);
}

.spectrum {
  fill: var(--hover);
}

.whole,
.one {
  fill: none;
  stroke: var(--text);
  stroke-width: 2;
}

.other {
  fill: none;
  stroke: var(--text-2);
  stroke-opacity: 0.45;
}

.one {
  stroke: var(--text-3);
  stroke-width: 1.2;
  stroke-dasharray: 4 3;
}

.mark {
  fill: var(--text-3);
  font-size: 10.5px;
}

circle {
  fill: var(--ground);
  stroke: var(--text);
  stroke-width: 2;
  cursor: grab;
}

circle.rests {
  stroke: var(--text-3);
  stroke-width: 1.4;
}

circle.chosen {
  fill: var(--lamp);
  stroke: var(--lamp);
}
</style>
