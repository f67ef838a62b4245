<script setup lang="ts">
import { computed, nextTick, onScopeDispose, ref, useTemplateRef, watch } from 'vue'
import FieldRefusal from './FieldRefusal.vue'
import { levelFromText, levelText, numberFromText, numberText, panFromText, panText } from './decibels'
import { noteFromText, noteText } from './noteNames'
import { nextNote, noteOf, readValue, semitonesFrom, type Counted } from './written'
import { sentenceOf } from '@/api/client'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

/** A number with its unit: typed, stepped with the arrow keys, or dragged along a line. */
const props = defineProps<{
  label: string
  value: number | null
  min: number
  max: number
  step: number
  unit?: string
  /** What the number counts: then it is read as people write it, with prefixes, other units and note values. */
  counts?: Counted
  /** How the number is written: a level may be −∞, a pan has sides, a MIDI note has a name. */
  form?: 'number' | 'level' | 'pan' | 'note'
  disabled?: boolean
  /** Whether Tab stops here; a field of a row in a grid is reached from the row that has the focus. */
  outOfTabOrder?: boolean
  /** Stands for several values that differ: it shows none, and takes any. */
  mixed?: boolean
  /** Who holds it instead of the number that is stored, and what typing does. */
  heldBy?: string
}>()
const emit = defineEmits<{ change: [value: number | null] }>()

const catalogue = useCatalogue()
const document = useDocument()
const usualBpm = 120
/** In quarters; what is longer than any usual note goes on by it. */
const wholeNote = 4
const dragPixelsPerStep = 4
const settleMs = 350
/** A refused value goes back to what it was after so long at the most. */
const answerMs = 2000
const bottomOfLevel = -60
const wrongMs = 6000

const input = useTemplateRef('input')
const typed = ref<string>()
const held = ref<number | null>()
/** What was typed and could not be taken. */
const wrong = ref<string>()
let settling: ReturnType<typeof setTimeout> | undefined
let pending = false
let answering: ReturnType<typeof setTimeout> | undefined
let saying: ReturnType<typeof setTimeout> | undefined
let drag: { x: number; from: number; moved: boolean } | undefined

const shown = computed(() => (held.value === undefined ? props.value : held.value))
const note = computed(() =>
  props.counts === 'quarters' ? noteOf(catalogue.known.noteValues, shown.value ?? 0) : undefined,
)
const text = computed(() => typed.value ?? (props.mixed && held.value === undefined ? '…' : write(shown.value)))
const digits = computed(() => (props.step >= 1 ? 0 : props.step >= 0.1 ? 1 : props.step >= 0.01 ? 2 : 4))

function write(value: number | null) {
  if (props.form === 'level') return levelText(value)
  if (props.form === 'pan') return panText(value ?? 0)
  if (props.form === 'note') return noteText(value ?? 0)
  if (note.value && value === shown.value) return note.value.text
  const full = numberText(value ?? 0, digits.value)
  return full.includes('.') ? full.replace(/\.?0+$/, '') : full
}

function read(text: string): number | null | undefined {
  if (props.form === 'pan') return panFromText(text)
  if (props.form === 'note') return noteFromText(text, props.value)
  return props.form === 'level' ? levelFromText(text) : numberFromText(text, props.unit)
}

/** What the field takes, for whoever typed something else. */
function rangeText() {
  if (props.form === 'pan') return '100 L to 100 R, or C for the centre'
  if (props.form === 'note') return '0 to 127, or a name such as D2, where C4 is 60'
  const unit = props.unit ?? (props.form === 'level' ? 'dB' : '')
  const ends = `${numberText(props.min, digits.value)} to ${numberText(props.max, digits.value)}${unit ? ` ${unit}` : ''}`
  return props.form === 'level' ? `${ends}, or −∞` : ends
}

/** A rounded end, as it is shown, is the end. */
function inRange(value: number) {
  const slack = 10 ** -digits.value / 2
  return value >= props.min - slack && value <= props.max + slack
}

function bounded(value: number) {
  const snapped = Math.round(value / props.step) * props.step
  return Number(Math.min(props.max, Math.max(props.min, snapped)).toFixed(6))
}

/** Lengths go from note value to note value, frequencies by semitones, all else by its step. */
function stepped(from: number, steps: number) {
  if (props.counts === 'quarters') {
    let to = from
    for (let i = 0; i < Math.abs(steps); i++)
      to = nextNote(catalogue.known.noteValues, to, steps > 0) ?? (steps > 0 ? to + wholeNote : to)
    return Math.min(props.max, Math.max(props.min, to))
  }
  if (props.counts === 'hertz' && from > 0) {
    const to = semitonesFrom(from, steps)
    return Math.abs(to - from) < props.step
      ? bounded(from + steps * props.step)
      : Math.min(props.max, Math.max(props.min, to))
  }
  return bounded(from + steps * props.step)
}

/** Steps are kept back until the keys rest, so that a run of them is one revision. */
function stepBy(steps: number) {
  held.value = stepped(shown.value ?? Math.max(props.min, bottomOfLevel), steps)
  pending = true
  clearTimeout(settling)
  settling = setTimeout(settle, settleMs)
}

function settle() {
  clearTimeout(settling)
  settling = undefined
  // What was asked for already is not asked for again, as when the field is left before the answer.
  if (!pending) return
  pending = false
  if (held.value !== undefined && (props.mixed || held.value !== props.value)) send(held.value)
  else held.value = undefined
}

/** Until the answer comes the field shows what was asked for, so that the next step starts from there. */
function send(value: number | null) {
  held.value = value
  clearTimeout(answering)
  answering = setTimeout(answered, answerMs)
  emit('change', value)
}

function answered() {
  clearTimeout(answering)
  if (!settling && !drag) held.value = undefined
}

function say(sentence: string) {
  wrong.value = sentence
  clearTimeout(saying)
  saying = setTimeout(() => (wrong.value = undefined), wrongMs)
  held.value = undefined
}

/** What cannot be read, or lies outside, changes nothing and is said beside the field. */
async function commit() {
  const text = typed.value?.trim()
  const isAsTyped = text === '' || (!props.mixed && text === write(shown.value))
  typed.value = undefined
  if (text === undefined || isAsTyped) return settle()
  let value = read(text)
  if (value === undefined && props.counts)
    try {
      value = await readValue(text, props.counts, document.head?.timeline.tempoBpm ?? usualBpm)
    } catch (error) {
      return say(`${sentenceOf(error)} It takes ${rangeText()}.`)
    }
  if (value === undefined || (value !== null && !inRange(value))) return say(`“${text}” is not taken: ${rangeText()}`)
  take(value)
}

function take(value: number | null) {
  const next = value === null ? null : Math.min(props.max, Math.max(props.min, value))
  clearTimeout(settling)
  settling = undefined
  pending = false
  if (props.mixed || next !== props.value) send(next)
  else held.value = undefined
}

function type(text: string) {
  typed.value = text
  wrong.value = undefined
}

function onKey(event: KeyboardEvent) {
  const steps = { ArrowUp: 1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[event.key]
  if (steps) {
    typed.value = undefined
    stepBy(event.shiftKey ? steps * 10 : steps)
  } else if (event.key === 'Enter') {
    void commit()
    void nextTick(() => input.value?.select())
  } else if (event.key === 'Escape') {
    clearTimeout(settling)
    settling = undefined
    pending = false
    typed.value = held.value = undefined
  } else {
    if (!event.ctrlKey && !event.metaKey) event.stopPropagation()
    return
  }
  event.preventDefault()
  event.stopPropagation()
}

function onDown(event: PointerEvent) {
  if (event.button !== 0 || props.disabled) return
  drag = { x: event.clientX, from: shown.value ?? Math.max(props.min, bottomOfLevel), moved: false }
  ;(event.target as HTMLElement).setPointerCapture(event.pointerId)
}

function onMove(event: PointerEvent) {
  if (!drag) return
  const steps = Math.trunc((event.clientX - drag.x) / dragPixelsPerStep)
  if (steps === 0 && !drag.moved) return
  drag.moved = true
  pending = true
  held.value = bounded(drag.from + steps * props.step * (event.shiftKey ? 0.1 : 1))
}

function onUp() {
  const moved = drag?.moved
  drag = undefined
  if (moved) settle()
  else input.value?.select()
}

watch(() => props.value, answered)
onScopeDispose(() => {
  clearTimeout(settling)
  clearTimeout(answering)
  clearTimeout(saying)
})
</script>

<template>
  <span class="value" :class="{ disabled, note: form === 'note', 'by-another': heldBy }" :title="heldBy">
    <input
      ref="input"
      role="spinbutton"
      type="text"
      autocomplete="off"
      :tabindex="outOfTabOrder ? -1 : 0"
      spellcheck="false"
      :value="text"
      :aria-label="label"
      :aria-valuenow="shown ?? undefined"
      :aria-valuetext="unit && !note ? `${write(shown)} ${unit}` : write(shown)"
      :aria-valuemin="min"
      :aria-valuemax="max"
      :disabled="disabled"
      :aria-invalid="wrong ? true : undefined"
      :aria-description="heldBy"
      @input="type(($event.target as HTMLInputElement).value)"
      @keydown="onKey"
      @blur="commit"
      @pointerdown="onDown"
      @pointermove="onMove"
      @pointerup="onUp"
      @pointercancel="onUp"
    />
    <span v-if="unit && !note" class="unit" aria-hidden="true">{{ unit }}</span>
    <FieldRefusal v-if="wrong" :field="input" :sentence="wrong" />
  </span>
</template>

<style scoped>
.value {
  display: inline-flex;
  align-items: baseline;
  gap: 3px;
  /* Both, so that the number stands on the line of the words beside it. */
  border-block: 1px solid transparent;
}

.value:hover:not(.disabled),
.value:focus-within {
  border-bottom-color: var(--line);
}

input {
  width: 5ch;
  padding: 1px 0;
  border: 0;
  background: none;
  text-align: right;
  font-variant-numeric: tabular-nums;
  cursor: ew-resize;
  touch-action: none;
}

input:focus {
  cursor: text;
}

/* Someone else holds it: the number stands aside. */
.by-another {
  border-bottom: 1px dashed var(--plum);
}

.by-another input {
  color: var(--plum);
}

.note input {
  width: 8ch;
}

.unit {
  color: var(--text-3);
  font-size: 11.5px;
  white-space: nowrap;
}

.disabled {
  opacity: 0.5;
}
</style>
