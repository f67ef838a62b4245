<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { familyHues, familyOf, spoken } from './familyInk'
import type { LineRow, OutputLine, Piece } from '@/api/types'
import { numberText } from '@/parts/decibels'

/** Pieces by family on one side, outputs on the other, joined by bands. */
const props = defineProps<{
  pieces: { index: number; piece: Piece }[]
  lines: OutputLine[]
  chosen?: number
  firing?: number
  rows: Map<number, LineRow>
  nameOf: (channel: string) => string | undefined
}>()
const emit = defineEmits<{ choose: [index: number]; fire: [note: number]; open: [channel: string] }>()

const frame = ref<HTMLElement>()
const { width, height } = useElementSize(frame)
/** On a narrow screen families are told by colour alone. */
const narrow = computed(() => width.value < 600)
const familyWidth = computed(() => (narrow.value ? 0 : 88))
const nameWidth = computed(() => (narrow.value ? 138 : 264))
const outputWidth = computed(() => (narrow.value ? 156 : 248))

const shown = computed(() => props.lines.filter((line) => line.pieces.length > 0 || line.channel !== null))
const free = computed(() => props.lines.length - shown.value.length)
const rowHeight = computed(() => Math.min(46, Math.max(19, (height.value - 4) / Math.max(1, props.pieces.length))))
const lineHeight = computed(() =>
  Math.min(52, Math.max(24, (props.pieces.length * rowHeight.value) / Math.max(1, shown.value.length))),
)
const whole = computed(() => Math.max(props.pieces.length * rowHeight.value, shown.value.length * lineHeight.value))
const hues = computed(() => familyHues(props.pieces.map((p) => p.piece)))
const heard = computed(() => {
  const note = props.pieces.find((p) => p.index === props.chosen)?.piece.note
  return note === null || note === undefined ? undefined : props.rows.get(note)
})

const starts = computed(() =>
  props.pieces.map(({ piece }, i) => i === 0 || familyOf(props.pieces[i - 1]!.piece) !== familyOf(piece)),
)
const bands = computed(() => {
  const inner = Math.max(40, width.value - nameWidth.value - outputWidth.value)
  return props.pieces.flatMap(({ index, piece }, row) => {
    const place = shown.value.findIndex((line) => line.pieces.includes(index))
    if (place < 0) return []
    const line = shown.value[place]!
    const among = line.pieces.length
    const nth = props.pieces.filter((p) => line.pieces.includes(p.index)).findIndex((p) => p.index === index)
    const thick = Math.min(9, (lineHeight.value - 10) / among)
    const from = (row + 0.5) * rowHeight.value
    const to = (place + 0.5) * lineHeight.value + (nth - (among - 1) / 2) * thick
    const half = inner / 2
    return [
      {
        index,
        hue: hues.value.get(familyOf(piece)) ?? 200,
        thick: Math.min(thick, 8),
        d: `M0 ${from}C${half} ${from} ${half} ${to} ${inner} ${to}`,
        lit: piece.note !== null && piece.note === props.firing,
      },
    ]
  })
})

function levelAt(line: OutputLine) {
  const place = line.channel ? heard.value?.places.find((p) => p.channel === line.channel) : undefined
  return place ? `${numberText(place.peakDbfs, 1)} dB` : ''
}

function move(event: KeyboardEvent, row: number) {
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  const next = by && props.pieces[row + by]
  if (!next) return
  event.preventDefault()
  emit('choose', next.index)
  const buttons = frame.value?.querySelectorAll<HTMLElement>('button.piece')
  buttons?.[row + by]?.focus()
}

function press(piece: Piece, index: number) {
  emit('choose', index)
  if (piece.note !== null) emit('fire', piece.note)
}
</script>

<template>
  <div ref="frame" class="frame">
    <div class="sheet" :style="{ height: `${whole}px` }">
      <template v-for="({ index, piece }, i) in pieces" :key="index">
        <span
          v-if="starts[i] && !narrow"
          class="family serif"
          :style="{ top: `${i * rowHeight}px`, height: `${rowHeight}px`, '--hue': hues.get(familyOf(piece)) }"
          >{{ spoken(familyOf(piece)) }}</span
        >
        <button
          type="button"
          class="piece"
          :class="{ on: index === chosen, lit: piece.note !== null && piece.note === firing }"
          :style="{
            top: `${i * rowHeight}px`,
            height: `${rowHeight}px`,
            left: `${familyWidth}px`,
            width: `${nameWidth - familyWidth}px`,
            '--hue': hues.get(familyOf(piece)),
          }"
          :aria-pressed="index === chosen"
          :tabindex="index === chosen || (chosen === undefined && i === 0) ? 0 : -1"
          :title="piece.note === null ? 'A far microphone' : `Note ${piece.note}: press to hear where it arrives`"
          @click="press(piece, index)"
          @keydown="move($event, i)"
        >
          <span class="name">{{ piece.name }}</span>
          <span v-if="piece.stay === 'alone'" class="pin" title="Keeps an output to itself">alone</span>
          <span v-else-if="piece.stay === 'on-first'" class="pin" title="Stays on the first output">first</span>
          <span
            v-if="piece.note !== null && rows.get(piece.note)"
            class="check"
            :class="{ wrong: rows.get(piece.note)!.verdict !== 'arrived' }"
            >{{ rows.get(piece.note)!.verdict === 'arrived' ? 'heard' : 'wrong' }}</span
          >
          <i class="dot" />
        </button>
      </template>
      <svg
        :width="Math.max(40, width - nameWidth - outputWidth)"
        :height="whole"
        :style="{ left: `${nameWidth}px` }"
        aria-hidden="true"
      >
        <path
          v-for="band in bands"
          :key="band.index"
          :d="band.d"
          :stroke-width="band.thick"
          :class="{ on: band.index === chosen, lit: band.lit }"
          :style="{ '--hue': band.hue }"
        />
      </svg>
      <button
        v-for="(line, i) in shown"
        :key="line.number"
        type="button"
        class="output"
        :class="{ silent: line.channel === null, fresh: line.isNew, heard: levelAt(line) !== '' }"
        :style="{ top: `${i * lineHeight + 2}px`, height: `${lineHeight - 4}px`, width: `${outputWidth}px` }"
        :disabled="line.channel === null || line.isNew"
        :title="line.channel === null ? 'No channel takes this output' : 'Show the channel'"
        @click="line.channel && emit('open', line.channel)"
      >
        <span class="jack">{{ line.jackLabel }}</span>
        <span class="called serif">{{
          line.number === 1 && line.channel ? (nameOf(line.channel) ?? line.name) : line.name
        }}</span>
        <span class="aside">{{
          levelAt(line) || (line.isNew ? 'new' : line.channel === null ? 'nobody' : line.number === 1 ? 'the rest' : '')
        }}</span>
      </button>
    </div>
    <p v-if="free" class="faint free">{{ free }} {{ free === 1 ? 'output is' : 'outputs are' }} free.</p>
  </div>
</template>

<style scoped>
.frame {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 0 0 4px;
}

.sheet {
  position: relative;
}

.family {
  position: absolute;
  left: 0;
  width: 88px;
  display: flex;
  align-items: center;
  font-size: 12.5px;
  color: oklch(var(--family-light) 0.08 var(--hue));
}

.piece {
  position: absolute;
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 0 4px 0 8px;
  background: none;
  border: 0;
  border-radius: 6px;
  text-align: left;
  cursor: pointer;
}

.piece:hover,
.piece.on {
  background: var(--hover);
}

.piece.lit {
  color: var(--lamp);
}

.name {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.pin,
.check {
  font-size: 10.5px;
  color: var(--plum);
}

.check {
  color: var(--proven);
}

.check.wrong {
  color: var(--blocker);
}

.dot {
  width: 7px;
  height: 7px;
  border-radius: 4px;
  background: oklch(var(--family-light) 0.09 var(--hue));
}

svg {
  position: absolute;
  top: 0;
}

path {
  fill: none;
  stroke: oklch(var(--family-light) 0.09 var(--hue));
  opacity: 0.45;
}

path.on {
  opacity: 0.95;
}

path.lit {
  stroke: var(--lamp);
  opacity: 1;
}

.output {
  position: absolute;
  right: 0;
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 0 12px;
  background: var(--raised);
  border: 1px solid var(--line);
  border-radius: 8px;
  cursor: pointer;
  text-align: left;
}

.output:disabled {
  cursor: default;
}

.output.silent {
  border-style: dashed;
  color: var(--text-3);
}

.output.fresh {
  border-color: var(--plum);
}

.output.heard {
  border-color: var(--lamp);
}

.jack {
  flex: none;
  white-space: nowrap;
  width: 44px;
  color: var(--text-2);
}

.called {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 14px;
}

.aside {
  font-size: 11.5px;
  color: var(--text-2);
}

.free {
  text-align: right;
  margin: 6px 0 0;
}
@media (max-width: 900px) {
  .frame {
    flex: none;
    height: 560px;
  }

  .output {
    gap: 4px;
    padding: 0 6px;
  }

  .jack {
    width: 40px;
    font-size: 12px;
  }

  .called {
    font-size: 12.5px;
  }
}
</style>
