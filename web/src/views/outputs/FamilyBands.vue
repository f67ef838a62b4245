<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { familyOf, spoken } from './familyInk'
import OutputBox from './OutputBox.vue'
import PieceRow from './PieceRow.vue'
import { useBandPlaces } from './useBandPlaces'
import type { LineRow, OutputLine, Part } from '@/api/types'
import { numberText } from '@/parts/decibels'

/** Pieces by family on one side, outputs on the other, joined by bands. */
const props = defineProps<{
  pieces: { index: number; piece: Part }[]
  lines: OutputLine[]
  chosen?: number
  firing?: number
  rows: Map<number, LineRow>
  nameOf: (channel: string) => string | undefined
}>()
const emit = defineEmits<{
  choose: [index: number]
  fire: [note: number]
  open: [channel: string]
  send: [piece: string, output: number]
}>()

const frame = ref<HTMLElement>()
const { width, height } = useElementSize(frame)
const places = useBandPlaces(props, width, height)
const { narrow, familyWidth, nameWidth, outputWidth, inner, shown, free } = places
const { rowHeight, lineHeight, whole, hues, starts, bands } = places

const heard = computed(() => {
  const note = props.pieces.find((p) => p.index === props.chosen)?.piece.note
  return note === null || note === undefined ? undefined : props.rows.get(note)
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

function press(piece: Part, index: number) {
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
        <PieceRow
          :piece="piece"
          :row="piece.note === null ? undefined : rows.get(piece.note)"
          :on="index === chosen"
          :lit="piece.note !== null && piece.note === firing"
          :style="{
            top: `${i * rowHeight}px`,
            height: `${rowHeight}px`,
            left: `${familyWidth}px`,
            width: `${nameWidth - familyWidth}px`,
            '--hue': hues.get(familyOf(piece)),
          }"
          :tabindex="index === chosen || (chosen === undefined && i === 0) ? 0 : -1"
          @click="press(piece, index)"
          @keydown="move($event, i)"
        />
      </template>
      <svg :width="inner" :height="whole" :style="{ left: `${nameWidth}px` }" aria-hidden="true">
        <path
          v-for="band in bands"
          :key="band.key"
          :d="band.d"
          :stroke-width="band.thick"
          :class="{ on: band.index === chosen, lit: band.lit }"
          :style="{ '--hue': band.hue }"
        />
      </svg>
      <OutputBox
        v-for="(line, i) in shown"
        :key="line.number"
        :line="line"
        :called="line.number === 1 && line.channel ? (nameOf(line.channel) ?? line.name) : line.name"
        :level="levelAt(line)"
        :style="{ top: `${i * lineHeight + 2}px`, height: `${lineHeight - 4}px`, width: `${outputWidth}px` }"
        @click="line.channel && emit('open', line.channel)"
        @take="emit('send', $event, line.number)"
      />
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

.free {
  text-align: right;
  margin: 6px 0 0;
}
@media (max-width: 900px) {
  .frame {
    flex: none;
    height: 560px;
  }
}
</style>
