<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import MovedField from './MovedField.vue'
import { between, leverPercent, shareOf, valueAt, type MovedRow } from './rows'
import type { Edit, ShapeKind, ShapePoint } from '@/api/types'
import DrawnCurve from '@/parts/DrawnCurve.vue'
import { levelText, numberText } from '@/parts/decibels'
import { changeLever } from '@/state/changeLever'
import { useDocument } from '@/state/document'

/** One curve: from which value to which, in which manner, or drawn by hand. */
const props = defineProps<{
  row: MovedRow
  section: { id: string; name: string }
  sections: readonly { id: string }[]
  kinds: readonly ShapeKind[]
}>()
const document = useDocument()
const from = ref<number | null>(0)
const to = ref<number | null>(0)
const silenceDb = -200

const points = computed(() => props.row.curves.get(props.section.id))
const range = computed(() => props.row.range)
const step = computed(() => {
  const span = (range.value?.max ?? 1) - (range.value?.min ?? 0)
  return span <= 2 ? 0.01 : span <= 100 ? 0.1 : 1
})
/** Silence has a number of its own in a curve. */
const stored = (value: number | null) => (value === null ? silenceDb : value)
const shown = (value: number) => (range.value?.isLevel && value <= silenceDb ? null : value)

watch(
  () => [props.row.key, props.section.id, points.value] as const,
  () => {
    // Where nothing is drawn yet: from further down to where it stands, or up where it stands at the bottom.
    const { min, max, stored: rest, isLevel } = range.value ?? { min: 0, max: 1, stored: 0, isLevel: false }
    const there = rest ?? max
    const low = isLevel ? Math.max(min, there - 12) : min
    from.value = shown(points.value?.[0]?.value ?? low)
    to.value = shown(points.value ? goal(points.value) : there > low ? there : max)
  },
  { immediate: true },
)

/** Where a curve goes: its end, or what lies farthest off where it comes back to where it began. */
function goal(drawn: readonly ShapePoint[]) {
  const [first, last] = [drawn[0]!.value, drawn.at(-1)!.value]
  if (first !== last) return last
  return drawn.map((p) => p.value).reduce((a, b) => (Math.abs(b - first) > Math.abs(a - first) ? b : a))
}

function put(drawn: ShapePoint[], sections: readonly string[] = [props.section.id]) {
  const { lever, edits } = props.row
  if (edits) void document.edit(sections.map((s) => edits.put(s, drawn)))
  if (!lever) return
  const points = drawn.map((p) => ({ ...p, value: p.value / leverPercent }))
  const put = sections.map((section) => ({ section, points }))
  void changeLever(lever.id, ({ shapes }) => ({
    shapes: [...(shapes ?? []).filter((s) => !sections.includes(s.section as string)), ...put],
  }))
}

function shape(kind: ShapeKind) {
  const [a, b] = [stored(from.value), stored(to.value)]
  put(kind.points.map((p) => ({ place: p.place, value: between(range.value!, a, b, p.value) })))
}

/** An end that is typed moves the curve's end; what lies between keeps its share of the way. */
function end(which: 'from' | 'to', value: number | null) {
  const [a, b] = [stored(from.value), stored(to.value)]
  if (which === 'from') from.value = value
  else to.value = value
  const now = points.value
  if (!now) return
  const [c, d] = [stored(from.value), stored(to.value)]
  put(
    now.map((p) => ({
      place: p.place,
      value: a === b ? c + (d - c) * p.place : c + ((p.value - a) / (b - a)) * (d - c),
    })),
  )
}

function switchOn(parameter: string) {
  const { channel, target } = props.row.value!
  const edit: Edit =
    target.type === 'insert'
      ? { type: 'set-parameter', channel, insert: target.insert, parameter, value: 1 }
      : { type: 'set-instrument-setting', channel, parameter, value: 1 }
  void document.edit([edit], channel)
}

const drawn = computed(() =>
  (points.value ?? []).map((p) => ({ place: p.place, value: 1 - shareOf(range.value!, p.value) })),
)

function draw(shares: { place: number; value: number }[]) {
  const { isLevel } = range.value!
  const digits = step.value >= 1 ? 0 : step.value >= 0.1 ? 1 : 3
  put(
    shares.map((p) => ({
      place: p.place,
      value: isLevel && p.value >= 1 ? silenceDb : Number(valueAt(range.value!, 1 - p.value).toFixed(digits)),
    })),
  )
}

function spread() {
  if (points.value) {
    put(
      points.value,
      props.sections.map((s) => s.id),
    )
  }
}

function remove(all = false) {
  const there = all ? [...props.row.curves.keys()] : [props.section.id]
  const { lever, edits } = props.row
  if (edits) void document.edit(there.map((s) => edits.remove(s)))
  if (!lever) return
  void changeLever(lever.id, ({ shapes }) => ({
    shapes: (shapes ?? []).filter((s) => !there.includes(s.section as string)),
  }))
}

const said = (value: number) =>
  range.value?.words[value] ??
  (range.value?.isLevel
    ? `${levelText(shown(value))} dB`
    : `${numberText(value, Math.abs(value) < 100 ? 1 : 0)} ${range.value?.symbol ?? ''}`)
</script>

<template>
  <section v-if="range">
    <h3>{{ row.lever ? row.title : row.about }} over {{ section.name }}</h3>
    <div class="ends">
      <MovedField label="From" :range="range" :value="from" :step="step" @change="end('from', $event)" />
      <span class="quiet">to</span>
      <MovedField label="To" :range="range" :value="to" :step="step" @change="end('to', $event)" />
    </div>
    <p v-if="range.off" class="off">
      {{ range.off.name }} is off: nothing is heard of it.
      <button type="button" class="plain" @click="switchOn(range.off.id)">Switch it on</button>
    </p>
    <div class="kinds">
      <button v-for="kind in kinds" :key="kind.id" type="button" class="plain kind" @click="shape(kind)">
        <svg viewBox="0 -2 40 20" width="40" height="20" aria-hidden="true">
          <path :d="kind.points.map((p, i) => `${i ? 'L' : 'M'}${p.place * 40} ${(1 - p.value) * 16}`).join('')" />
        </svg>
        {{ kind.name }}
      </button>
    </div>
    <template v-if="points">
      <DrawnCurve
        :label="`${row.about} over ${section.name}`"
        :points="drawn"
        :top="said(range.max)"
        :bottom="range.isLevel ? `below ${said(range.min)} silence` : said(range.min)"
        from="start"
        to="end"
        @change="draw"
      />
      <p v-if="range.isLevel" class="faint">A level comes out of silence at {{ said(range.min) }}.</p>
      <div class="ways">
        <button type="button" class="plain" @click="spread">The same over every section</button>
        <button type="button" class="plain" @click="remove()">Take it away</button>
        <button v-if="row.curves.size > 1" type="button" class="plain" @click="remove(true)">
          Take all of the row away
        </button>
      </div>
    </template>
    <p v-else class="faint">No curve there: the value stands where it is. Say from where to where, and choose how.</p>
  </section>
  <section v-else>
    <h3>{{ row.title }}</h3>
    <p class="quiet">What these curves moved is gone. They wait for it to come back.</p>
    <button type="button" class="plain" @click="remove(true)">Take them away</button>
  </section>
</template>

<style scoped>
.off {
  color: var(--plum);
}

h3 {
  font-size: 15px;
  margin-bottom: 8px;
}

.ends,
.ways {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}

.kinds {
  display: grid;
  gap: 4px;
  margin: 10px 0;
}

.kind {
  display: flex;
  align-items: center;
  gap: 10px;
  text-align: left;
}

.kind path {
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.6;
}
</style>
