import { computed, type Ref } from 'vue'
import { familyHues, familyOf } from './familyInk'
import type { OutputLine, Part } from '@/api/types'

interface Shown {
  pieces: { index: number; piece: Part }[]
  lines: OutputLine[]
  firing?: number
}

/** Where pieces, bands and outputs stand on a sheet of this size, in pixels. */
export function useBandPlaces(props: Shown, width: Ref<number>, height: Ref<number>) {
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
  const inner = computed(() => Math.max(40, width.value - nameWidth.value - outputWidth.value))
  const starts = computed(() =>
    props.pieces.map(({ piece }, i) => i === 0 || familyOf(props.pieces[i - 1]!.piece) !== familyOf(piece)),
  )
  const bands = computed(() => {
    return props.pieces.flatMap(({ index, piece }, row) =>
      shown.value.flatMap((line, place) => (line.pieces.includes(index) ? [band(index, piece, row, line, place)] : [])),
    )
  })

  function band(index: number, piece: Part, row: number, line: OutputLine, place: number) {
    const among = line.pieces.length
    const nth = props.pieces.filter((p) => line.pieces.includes(p.index)).findIndex((p) => p.index === index)
    const thick = Math.min(9, (lineHeight.value - 10) / among)
    const from = (row + 0.5) * rowHeight.value
    const to = (place + 0.5) * lineHeight.value + (nth - (among - 1) / 2) * thick
    const half = inner.value / 2
    return {
      key: `${index} ${line.number}`,
      index,
      hue: hues.value.get(familyOf(piece)) ?? 200,
      thick: Math.min(thick, 8),
      d: `M0 ${from}C${half} ${from} ${half} ${to} ${inner.value} ${to}`,
      lit: piece.note !== null && piece.note === props.firing,
    }
  }

  return {
    narrow,
    familyWidth,
    nameWidth,
    outputWidth,
    inner,
    shown,
    free,
    rowHeight,
    lineHeight,
    whole,
    hues,
    starts,
    bands,
  }
}
